package wendo.app.platform.business;

import java.io.Serializable;
import java.util.UUID;

/** Names one business. */
public record BusinessId(UUID value) implements Serializable {}
