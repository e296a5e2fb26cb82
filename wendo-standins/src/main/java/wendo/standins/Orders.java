package wendo.standins;

import java.security.SecureRandom;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;

/** What was ordered on the demo site since it started. */
final class Orders {
    private static final Map<String, String> PRICES = Map.of(
            "taster",
            "45.00",
            "weekend",
            "195.00",
            "children",
            "260.00",
            "voucher-50",
            "50.00",
            "voucher-100",
            "100.00");

    private final Map<String, Order> orders = new ConcurrentHashMap<>();
    private final SecureRandom random = new SecureRandom();

    /** {@code kind} is what Wendo calls it; {@code value} is in pounds, or 0. */
    record Order(String kind, String reference, String value, String what) {}

    /** Places an order and answers its reference, or empty text for what the site does not sell. */
    String place(String path, Map<String, String> form) {
        String item = form.getOrDefault("item", "");
        Order order = switch (path) {
            case "/enquiry" -> order("lead", "E", "0.00", "your enquiry");
            case "/courses" -> order("booking", "B", PRICES.getOrDefault(item, ""), "your booking");
            case "/vouchers" -> order("purchase", "V", PRICES.getOrDefault(item, ""), "your voucher");
            default -> order("", "", "", "");
        };
        if (order.value().isEmpty()) {
            return "";
        }
        orders.put(order.reference(), order);
        return order.reference();
    }

    private Order order(String kind, String letter, String value, String what) {
        return new Order(kind, letter + "-" + (100_000_000 + random.nextInt(900_000_000)), value, what);
    }

    @Nullable
    Order find(String reference) {
        return orders.get(reference);
    }
}
