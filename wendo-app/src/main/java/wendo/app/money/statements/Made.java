package wendo.app.money.statements;

import java.time.Instant;

/** When something was made, and by whom. */
record Made(Instant at, String by) {}
