package wendo.app.outcome.networks;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.regex.Pattern;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.app.prepare.sources.SourceListed;
import wendo.core.links.SubIdForm;
import wendo.core.outcomes.OutcomeKind;
import wendo.core.visits.OutgoingPattern;

/** A network as typed. */
record NetworkForm(Map<String, String> fields) {
    private static final int MAX_NAME = Limits.SHORT_NAME;
    private static final int MAX_PLACEHOLDER = Limits.PLACEHOLDER;

    /** What would end the address or split it cannot stand in a placeholder. */
    private static final Pattern PLACEHOLDER = Pattern.compile("[^\\s&?#=\\p{Cntrl}]*");

    NetworkForm {
        fields = Map.copyOf(fields);
    }

    record Checked(
            String name,
            UUID source,
            String pattern,
            SubIdForm form,
            OutcomeKind kind,
            List<String> placeholders,
            Network.Pay pay) {}

    static NetworkForm empty() {
        return new NetworkForm(
                Map.of("alphabet", "letters", "maxLength", "50", "kind", "purchase", "paysAfterDays", "45"));
    }

    static NetworkForm of(Network network) {
        Map<String, String> fields = new LinkedHashMap<>();
        fields.put("name", network.name());
        fields.put("source", network.source().toString());
        fields.put("pattern", network.pattern());
        fields.put("parameter", network.form().parameter());
        fields.put("alphabet", network.form().alphabet().key());
        fields.put("maxLength", String.valueOf(network.form().maxLength()));
        fields.put("kind", network.kind().key());
        fields.put("pays", network.pay().pays() ? "yes" : "");
        fields.put("paysAfterDays", String.valueOf(network.pay().afterDays()));
        for (Network.Field told : Network.Field.values()) {
            fields.put(told.parameter(), network.placeholder(told));
        }
        return new NetworkForm(fields);
    }

    public String get(String field) {
        return fields.getOrDefault(field, "").strip();
    }

    /** The checked network, or nothing once {@code faults} has what is wrong. */
    Optional<Checked> check(List<SourceListed> sources, Map<String, String> faults) {
        String name = get("name");
        if (name.isEmpty() || name.length() > MAX_NAME) {
            faults.put("name", Texts.of("outcome.networks.enter-a-name-of-1", MAX_NAME));
        }
        Optional<UUID> source = sources.stream()
                .filter(one -> one.id().toString().equals(get("source")))
                .findFirst()
                .map(SourceListed::id);
        if (source.isEmpty()) {
            faults.put("source", Texts.of("outcome.networks.choose-the-source-its-sales"));
        }
        Optional<OutgoingPattern> pattern = OutgoingPattern.find(get("pattern"))
                .filter(found -> !found.text().contains("*"));
        if (pattern.isEmpty()) {
            faults.put("pattern", Texts.of("outcome.networks.enter-the-host-of-its"));
        }
        Optional<OutcomeKind> kind = OutcomeKind.find(get("kind"));
        if (kind.isEmpty()) {
            faults.put("kind", Texts.of("outcome.networks.choose-what-it-reports"));
        }
        Optional<SubIdForm> form = form(faults);
        List<String> placeholders = placeholders(faults);
        Network.Pay pay = pay(faults);
        return faults.isEmpty()
                ? Optional.of(new Checked(
                        name,
                        source.orElseThrow(),
                        pattern.orElseThrow().text(),
                        form.orElseThrow(),
                        kind.orElseThrow(),
                        placeholders,
                        pay))
                : Optional.empty();
    }

    private Network.Pay pay(Map<String, String> faults) {
        String typed = get("paysAfterDays");
        int days = typed.matches("\\d{1,3}") ? Integer.parseInt(typed) : typed.isEmpty() ? 0 : -1;
        if (days < 0 || days > Network.Pay.MOST_DAYS) {
            faults.put("paysAfterDays", Texts.of("outcome.networks.enter-days", Network.Pay.MOST_DAYS));
        }
        return new Network.Pay(get("pays").equals("yes"), Math.max(0, days));
    }

    private Optional<SubIdForm> form(Map<String, String> faults) {
        Optional<SubIdForm.Alphabet> alphabet = SubIdForm.Alphabet.find(get("alphabet"));
        String typed = get("maxLength");
        int length = typed.matches("\\d{1,3}") ? Integer.parseInt(typed) : 0;
        if (!SubIdForm.isParameter(get("parameter"))) {
            faults.put("parameter", Texts.of("outcome.networks.enter-the-parameter-that-takes"));
        }
        if (alphabet.isEmpty()) {
            faults.put("alphabet", Texts.of("outcome.networks.choose-the-characters-that-the"));
        }
        if (!SubIdForm.isLength(length)) {
            faults.put("maxLength", Texts.of("outcome.networks.enter-how-many-characters-it"));
        }
        return faults.containsKey("parameter") || faults.containsKey("maxLength")
                ? Optional.empty()
                : alphabet.map(characters -> new SubIdForm(get("parameter"), characters, length));
    }

    private List<String> placeholders(Map<String, String> faults) {
        List<String> placeholders = new ArrayList<>();
        Arrays.stream(Network.Field.values()).map(Network.Field::parameter).forEach(parameter -> {
            String typed = get(parameter);
            if (typed.length() > MAX_PLACEHOLDER || !PLACEHOLDER.matcher(typed).matches()) {
                faults.put(parameter, Texts.of("outcome.networks.a-placeholder-has-at-most", MAX_PLACEHOLDER));
            }
            placeholders.add(typed);
        });
        if (get(Network.Field.SUB.parameter()).isEmpty()) {
            faults.put(Network.Field.SUB.parameter(), Texts.of("outcome.networks.enter-the-networks-placeholder-for"));
        }
        return placeholders;
    }
}
