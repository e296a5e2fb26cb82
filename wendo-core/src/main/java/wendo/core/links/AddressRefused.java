package wendo.core.links;

/** An address that cannot be a destination; the message is meant for the person who pasted it. */
public final class AddressRefused extends IllegalArgumentException {
    private static final long serialVersionUID = 1L;

    public AddressRefused(String reason) {
        super(reason);
    }
}
