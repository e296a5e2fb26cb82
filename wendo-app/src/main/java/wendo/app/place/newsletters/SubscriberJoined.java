package wendo.app.place.newsletters;

/** Somebody subscribed, and it was no test. */
public record SubscriberJoined(String email) {}
