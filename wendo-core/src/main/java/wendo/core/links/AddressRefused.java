package wendo.core.links;

import wendo.core.text.Refused;
import wendo.core.text.Sentence;

/** An address that cannot be a destination. */
public final class AddressRefused extends Refused {
    private static final long serialVersionUID = 1L;

    public AddressRefused(String key, Object... values) {
        super(key, values);
    }

    public AddressRefused(Sentence sentence) {
        super(sentence);
    }
}
