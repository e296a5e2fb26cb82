package wendo.app.money.partners;

/** What a partner's page shows of outcomes, and whether it opens only with a code that goes out by mail. */
record PageLook(boolean withValues, boolean byCode) {}
