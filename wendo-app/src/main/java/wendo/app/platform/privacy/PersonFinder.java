package wendo.app.platform.privacy;

/** Finds whom somebody asks about. */
public interface PersonFinder {
    /** By an e-mail address, a phone number, a name, a click identifier or a reference, as typed. */
    KnownPerson find(String typed);
}
