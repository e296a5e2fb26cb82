package wendo.app.platform.sending;

/** That mail to this contact came back for good. */
public record ContactUnreachable(String contact) {}
