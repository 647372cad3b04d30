/**
 * Measures and drives the real window from outside: how soon it starts and answers, how many keys it takes to enter a rig,
 * that a kill loses nothing. Nothing of the program knows of it, and it doesn't ship.
 */
@NullMarked
package org.gullyrun.lab;

import org.jspecify.annotations.NullMarked;
