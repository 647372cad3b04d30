package org.gullyrun.core.rig;

/** Where a setting is: the element's id and the setting's {@linkplain Setting#key() key}. */
public record Address(String element, String key) implements Comparable<Address> {
    @Override
    public int compareTo(Address other) {
        int byElement = Ids.ORDER.compare(element, other.element);
        return byElement != 0 ? byElement : Ids.ORDER.compare(key, other.key);
    }

    @Override
    public String toString() {
        return element + "/" + key;
    }
}
