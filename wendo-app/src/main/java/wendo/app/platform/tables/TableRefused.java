package wendo.app.platform.tables;

/** A file that is no table we read; the message is for the person who brought it. */
public class TableRefused extends RuntimeException {
    private static final long serialVersionUID = 1;

    TableRefused(String message, Throwable cause) {
        super(message, cause);
    }

    public TableRefused(String message) {
        super(message);
    }
}
