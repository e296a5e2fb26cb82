package wendo.app.platform.site;

/** Where a network address is registered. */
public interface CountryNames {
    /** ISO 3166-1 alpha-2 in capitals; empty text where nothing is known. {@code address} is in numbers. */
    String country(String address);
}
