package wendo.app.outcome.outcomes;

/**
 * How a report came.
 *
 * @param site the host of the page that sent it; empty text for none
 */
record ReportSender(Reporter reporter, String visitor, String site, String signature) {}
