package wendo.app.business;

import java.io.Serializable;
import java.util.UUID;

/** Names one business. */
public record BusinessId(UUID value) implements Serializable {}
