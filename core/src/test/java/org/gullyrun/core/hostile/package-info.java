/** Files that ask for too much, and that the program ends with an answer or a sentence. */
package org.gullyrun.core.hostile;
