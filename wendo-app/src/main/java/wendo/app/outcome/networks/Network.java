package wendo.app.outcome.networks;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import wendo.app.platform.site.Texts;
import wendo.core.links.SubIdForm;
import wendo.core.outcomes.OutcomeKind;

/**
 * A partner network.
 *
 * @param pattern host, perhaps with a path, of the addresses that it takes visits at
 * @param placeholders the network's own text for each of {@link Field}, in their order; empty text for what it does not tell,
 *     none for fields that came later
 */
record Network(
        UUID id,
        String name,
        UUID source,
        String pattern,
        SubIdForm form,
        OutcomeKind kind,
        String token,
        List<String> placeholders,
        Pay pay,
        boolean isArchived) {

    /** Whether its reports are income instead of sales, and how many days after an outcome it pays. */
    record Pay(boolean pays, int afterDays) {
        static final int MOST_DAYS = 365;
    }

    /** What a postback may tell, by the names it has in the address. */
    enum Field {
        SUB("sub", "outcome.networks.field.sub"),
        REFERENCE("reference", "outcome.networks.field.reference"),
        VALUE("value", "outcome.networks.field.value"),
        CURRENCY("currency", "outcome.networks.field.currency"),
        STATUS("status", "outcome.networks.field.status"),
        COMMISSION("commission", "outcome.networks.field.commission"),
        PRODUCT("product", "outcome.networks.field.product");

        private final String parameter;
        private final String label;

        Field(String parameter, String label) {
            this.parameter = parameter;
            this.label = label;
        }

        public String parameter() {
            return parameter;
        }

        public String label() {
            return Texts.of(label);
        }
    }

    Network {
        placeholders = List.copyOf(placeholders);
    }

    String placeholder(Field told) {
        return told.ordinal() < placeholders.size() ? placeholders.get(told.ordinal()) : "";
    }

    /** The address to paste at the network, its placeholders letter for letter. */
    String address(String origin) {
        StringBuilder address = new StringBuilder(origin).append("/t/postback/").append(token);
        char before = '?';
        for (Field told : Field.values()) {
            if (!placeholder(told).isEmpty()) {
                address.append(before).append(told.parameter()).append('=').append(placeholder(told));
                before = '&';
            }
        }
        return address.toString();
    }

    /** What the network filled in; a placeholder that came as it stood is empty. */
    Optional<String> filled(Field told, String came) {
        return came.isBlank() || came.equals(placeholder(told)) ? Optional.empty() : Optional.of(came.strip());
    }
}
