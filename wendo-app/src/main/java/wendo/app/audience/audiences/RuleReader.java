package wendo.app.audience.audiences;

import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import wendo.app.platform.business.Business;
import wendo.app.platform.site.Amount;
import wendo.app.platform.site.FilterValues;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.core.audience.AudienceRule;
import wendo.core.audience.Combined;
import wendo.core.audience.Condition;
import wendo.core.audience.Criterion;
import wendo.core.audience.Match;
import wendo.core.audience.When;

/** Makes rules of what was typed. What makes none yet is told by its field, and left out of the rest. */
final class RuleReader {
    private final Business business;
    private final Map<String, String> faults = new LinkedHashMap<>();

    private RuleReader(Business business) {
        this.business = business;
    }

    /** @param faults by the field they belong to; with any of them the rule is not all that was meant */
    record Read(AudienceRule rule, Map<String, String> faults) {}

    static Read read(RuleDraft draft, Business business) {
        RuleReader reader = new RuleReader(business);
        Optional<AudienceRule> rule = Optional.empty();
        try {
            rule = reader.rule(draft.placed());
        } catch (IllegalArgumentException e) {
            reader.faults.put(
                    "rules",
                    Texts.of("audience.audiences.too-many-rules", Combined.MOST_CONDITIONS, Combined.MOST_LEVELS));
        }
        return new Read(rule.orElse(new Combined(Match.ALL, List.of())), reader.faults);
    }

    private Optional<AudienceRule> rule(RuleDraft.Placed at) {
        if (!at.rule().isGroup()) {
            return criterion(at)
                    .map(found -> new Condition(!at.rule().text("is").equals("not"), found));
        }
        Match match = Match.find(at.rule().text("match")).orElse(Match.ALL);
        List<AudienceRule> parts = at.parts().stream()
                .flatMap(part -> rule(part).stream())
                .filter(part ->
                        !(part instanceof Combined group) || !group.parts().isEmpty())
                .toList();
        return Optional.of(new Combined(match, parts));
    }

    private Optional<Criterion> criterion(RuleDraft.Placed at) {
        Optional<RuleKind> kind = RuleKind.find(at.rule().text("kind"));
        if (kind.isEmpty()) {
            faults.put(at.field("kind"), Texts.of("audience.audiences.choose-what"));
            return Optional.empty();
        }
        try {
            return switch (kind.get()) {
                case CAME -> came(at);
                case DID -> Optional.of(did(at));
                case SPENT -> money(at).map(minor -> new Criterion.Spent(minor, when(at)));
                case LEAD ->
                    Optional.of(new Criterion.LeadAt(
                            chosen(at, "stage", List.of("new", "quoted", "won", "lost")),
                            number(at, "quiet", 0, When.MOST_DAYS)));
                case LABEL -> label(at);
                case SUBSCRIBED ->
                    Optional.of(new Criterion.Subscribed(
                            FilterValues.id(at.rule().text("link")),
                            FilterValues.id(at.rule().text("list"))));
                case SENT ->
                    Optional.of(new Criterion.Sent(FilterValues.id(at.rule().text("link"))));
                case TAPPED ->
                    Optional.of(new Criterion.Tapped(FilterValues.id(at.rule().text("link")), when(at)));
                case FORM -> id(at, "form").map(form -> new Criterion.LeftForm(form, when(at)));
                case KNOWN -> known(at);
                case IN -> id(at, "audience").map(Criterion.In::new);
            };
        } catch (DateTimeParseException e) {
            faults.put(at.field("when"), Texts.of("audience.audiences.no-day"));
        } catch (IllegalArgumentException e) {
            faults.putIfAbsent(at.field("kind"), Texts.of("audience.audiences.not-possible"));
        }
        return Optional.empty();
    }

    private Optional<Criterion> came(RuleDraft.Placed at) {
        Criterion.Way way = Stream.of(Criterion.Way.values())
                .filter(one -> one.key().equals(at.rule().text("way")))
                .findFirst()
                .orElse(Criterion.Way.ANY);
        List<String> which =
                way == Criterion.Way.ANY ? List.of() : sound(at.rule().all("which"), way == Criterion.Way.CHANNEL);
        if (way != Criterion.Way.ANY && which.isEmpty()) {
            faults.put(at.field("which"), Texts.of("audience.audiences.choose-at-least-one"));
            return Optional.empty();
        }
        return Optional.of(new Criterion.Came(way, which, when(at), number(at, "times", 1, 1000)));
    }

    /** Without what is no identifier; channels have words. */
    private static List<String> sound(List<String> which, boolean isWords) {
        return which.stream()
                .filter(one -> isWords
                        ? one.matches("[a-z-]{1,20}")
                        : FilterValues.id(one).isPresent())
                .toList();
    }

    private Criterion did(RuleDraft.Placed at) {
        int least = number(at, "times", 1, 1000);
        int most = number(at, "most", 0, 1000);
        if (most > 0 && most < least) {
            faults.put(at.field("most"), Texts.of("audience.audiences.most-below-least"));
        }
        return new Criterion.Did(
                chosen(at, "deed", List.of("any", "lead", "booking", "purchase", "subscription")),
                when(at),
                text(at, "product", Limits.NAME),
                at.rule().text("least").isEmpty() ? 0 : money(at).orElse(0L),
                least,
                most > 0 ? Optional.of(Math.max(least, most)) : Optional.empty());
    }

    private Optional<Long> money(RuleDraft.Placed at) {
        try {
            return Optional.of(Amount.of(at.rule().text("least"), business.currency(), business.locale())
                    .minor());
        } catch (IllegalArgumentException e) {
            faults.put(at.field("least"), String.valueOf(e.getMessage()));
            return Optional.empty();
        }
    }

    private Optional<Criterion> label(RuleDraft.Placed at) {
        String label = text(at, "label", Limits.SHORT_NAME);
        if (label.isEmpty()) {
            faults.put(at.field("label"), Texts.of("audience.audiences.choose-at-least-one"));
            return Optional.empty();
        }
        return Optional.of(new Criterion.Labelled(label));
    }

    private Optional<Criterion> known(RuleDraft.Placed at) {
        Criterion.Trait trait = Stream.of(Criterion.Trait.values())
                .filter(one -> one.key().equals(at.rule().text("trait")))
                .findFirst()
                .orElse(Criterion.Trait.COUNTRY);
        List<String> values = at.rule().all("which").stream()
                .filter(one -> one.matches("[A-Za-z-]{2,8}"))
                .map(one ->
                        trait == Criterion.Trait.COUNTRY ? one.toUpperCase(Locale.ROOT) : one.toLowerCase(Locale.ROOT))
                .toList();
        if (values.isEmpty()) {
            faults.put(at.field("which"), Texts.of("audience.audiences.choose-at-least-one"));
            return Optional.empty();
        }
        return Optional.of(new Criterion.Known(trait, values));
    }

    private Optional<UUID> id(RuleDraft.Placed at, String field) {
        Optional<UUID> id = FilterValues.id(at.rule().text(field));
        if (id.isEmpty()) {
            faults.put(at.field(field), Texts.of("audience.audiences.choose-at-least-one"));
        }
        return id;
    }

    private When when(RuleDraft.Placed at) {
        String when = at.rule().text("when");
        if (when.matches("\\d{1,4}")) {
            return When.last(Integer.parseInt(when));
        }
        if (!when.equals("days")) {
            return When.ever();
        }
        Optional<LocalDate> first = day(at.rule().text("from"));
        Optional<LocalDate> last = day(at.rule().text("until"));
        if (first.isPresent() && last.isPresent() && last.get().isBefore(first.get())) {
            faults.put(at.field("when"), Texts.of("audience.audiences.days-turned-round"));
            return When.ever();
        }
        return When.between(first, last);
    }

    private static Optional<LocalDate> day(String typed) {
        return typed.isEmpty() ? Optional.empty() : Optional.of(LocalDate.parse(typed));
    }

    private String text(RuleDraft.Placed at, String field, int most) {
        String text = at.rule().text(field);
        if (text.length() > most) {
            faults.put(at.field(field), Texts.of("platform.site.it-may-have-characters-this", most, text.length()));
            return text.substring(0, most);
        }
        return text;
    }

    private static String chosen(RuleDraft.Placed at, String field, List<String> choices) {
        return choices.contains(at.rule().text(field)) ? at.rule().text(field) : choices.get(0);
    }

    /** The least where nothing was typed. */
    private int number(RuleDraft.Placed at, String field, int least, int most) {
        String typed = at.rule().text(field);
        if (typed.isEmpty()) {
            return least;
        }
        int number = typed.matches("\\d{1,6}") ? Integer.parseInt(typed) : -1;
        if (number < least || number > most) {
            faults.put(at.field(field), Texts.of("audience.audiences.number-between", least, most));
            return least;
        }
        return number;
    }
}
