package wendo.app.platform.site;

/** What a browser is called for people. */
public interface BrowserNames {
    /** Such as "Firefox, Android"; empty text where nothing is known. */
    String browser(String userAgent);
}
