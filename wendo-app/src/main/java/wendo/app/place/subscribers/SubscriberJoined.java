package wendo.app.place.subscribers;

/** Somebody subscribed, and it was no test. */
public record SubscriberJoined(String email) {}
