package wendo.app.platform.sending;

import java.util.Optional;
import java.util.UUID;

/** A message as it goes out. {@code from} is the business's name. */
record Post(
        UUID id,
        MessageType road,
        String from,
        String recipient,
        String subject,
        String body,
        Optional<Clips.Clip> clip) {}
