package wendo.app.platform.sending;

/** What sends texts and recorded voice. The same message sent to it twice goes out once: it knows it by its id. */
interface TextGateway {
    Sent send(Post post);
}
