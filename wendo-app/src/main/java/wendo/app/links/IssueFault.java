package wendo.app.links;

/** One thing wrong with what is to be issued, with the field it belongs beside. */
public record IssueFault(String field, String message) {}
