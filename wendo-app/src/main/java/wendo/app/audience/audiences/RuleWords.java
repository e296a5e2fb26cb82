package wendo.app.audience.audiences;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import wendo.app.platform.site.Figures;
import wendo.app.platform.site.Texts;
import wendo.core.audience.AudienceRule;
import wendo.core.audience.Combined;
import wendo.core.audience.Condition;
import wendo.core.audience.Criterion;
import wendo.core.audience.Match;
import wendo.core.audience.When;

/** Rules as a sentence: "People who came by Postcards in the last 30 days and have not booked." */
final class RuleWords {
    private static final String AND = "audience.audiences.words.and";
    private static final String OR = "audience.audiences.words.or";

    private final Figures figures;
    private final Map<String, String> names;

    private RuleWords(Figures figures, Map<String, String> names) {
        this.figures = figures;
        this.names = names;
    }

    /** @param names of whatever can be chosen, by identifier */
    static String of(AudienceRule rule, Figures figures, Map<String, String> names) {
        RuleWords words = new RuleWords(figures, names);
        return rule.conditions() == 0
                ? Texts.of("audience.audiences.words.everybody")
                : Texts.of("audience.audiences.words.people", words.said(rule, true));
    }

    private String said(AudienceRule rule, boolean isOuter) {
        return rule instanceof Combined combined ? said(combined, isOuter) : said((Condition) rule);
    }

    private String said(Combined combined, boolean isOuter) {
        List<String> parts =
                combined.parts().stream().map(part -> said(part, false)).toList();
        if (parts.size() == 1 && combined.match() != Match.NONE) {
            return parts.get(0);
        }
        return switch (combined.match()) {
            case ALL -> bracketed(joined(parts, AND), isOuter);
            case ANY -> bracketed(joined(parts, OR), isOuter);
            case NONE -> Texts.of("audience.audiences.words.none", joined(parts, OR));
        };
    }

    private static String bracketed(String text, boolean isOuter) {
        return isOuter ? text : "(" + text + ")";
    }

    private static String joined(List<String> parts, String by) {
        return parts.size() < 2
                ? String.join("", parts)
                : Texts.of(by, String.join(", ", parts.subList(0, parts.size() - 1)), parts.get(parts.size() - 1));
    }

    private String said(Condition condition) {
        return condition.criterion().read(new Phrases(condition.holds() ? "yes" : "no"));
    }

    /** Of each kind of criterion what is said of people: that it is so, or that it is not. */
    private final class Phrases implements Criterion.Reader<String> {
        private final String is;

        Phrases(String is) {
            this.is = is;
        }

        @Override
        public String came(Criterion.Came came) {
            List<String> which = came.which().stream()
                    .map(one -> came.way() == Criterion.Way.CHANNEL ? Texts.of("common.channel-name", one) : named(one))
                    .toList();
            String way = Texts.of("audience.audiences.words.way", came.way().key(), joined(which, OR));
            return Texts.of("audience.audiences.words.came", is, way, when(came.when()), came.atLeast());
        }

        @Override
        public String did(Criterion.Did did) {
            String product =
                    did.product().isEmpty() ? "" : " " + Texts.of("audience.audiences.words.product", did.product());
            String worth = did.atLeastMinor() == 0
                    ? ""
                    : " " + Texts.of("audience.audiences.words.worth", figures.money(did.atLeastMinor()));
            return Texts.of(
                    "audience.audiences.words.did", is, did.kind(), product + worth + when(did.when()) + often(did));
        }

        private String often(Criterion.Did did) {
            if (did.atMost().isPresent()) {
                int most = did.atMost().get();
                return " "
                        + (most == did.atLeast()
                                ? Texts.of("audience.audiences.words.times-exactly", most)
                                : Texts.of("audience.audiences.words.times-between", did.atLeast(), most));
            }
            return did.atLeast() == 1 ? "" : " " + Texts.of("audience.audiences.words.times", did.atLeast());
        }

        @Override
        public String spent(Criterion.Spent spent) {
            return Texts.of(
                    "audience.audiences.words.spent", is, figures.money(spent.atLeastMinor()), when(spent.when()));
        }

        @Override
        public String leadAt(Criterion.LeadAt at) {
            return Texts.of(
                    "audience.audiences.words.lead", is, Texts.of("common.stage-name", at.stage()), at.quietDays());
        }

        @Override
        public String labelled(Criterion.Labelled labelled) {
            return Texts.of("audience.audiences.words.label", is, labelled.label());
        }

        @Override
        public String subscribed(Criterion.Subscribed subscribed) {
            String list = subscribed.list().map(id -> named(id.toString())).orElse("");
            return Texts.of(
                    "audience.audiences.words.subscribed",
                    is,
                    by(subscribed.link()),
                    list.isEmpty() ? "any" : "one",
                    list);
        }

        @Override
        public String known(Criterion.Known known) {
            List<String> values = known.values().stream()
                    .map(one -> value(known.trait(), one))
                    .toList();
            return Texts.of("audience.audiences.words.known", is, known.trait().key(), joined(values, OR));
        }

        private String value(Criterion.Trait trait, String value) {
            return switch (trait) {
                case LANGUAGE -> figures.language(value);
                case COUNTRY -> figures.country(value);
                case DEVICE -> Texts.of("audience.audiences.device", value);
            };
        }

        @Override
        public String sent(Criterion.Sent sent) {
            return Texts.of("audience.audiences.words.sent", is, by(sent.link()));
        }

        @Override
        public String tapped(Criterion.Tapped tapped) {
            return Texts.of("audience.audiences.words.tapped", is, by(tapped.link()), when(tapped.when()));
        }

        @Override
        public String leftForm(Criterion.LeftForm left) {
            return Texts.of(
                    "audience.audiences.words.form", is, named(left.form().toString()), when(left.when()));
        }

        @Override
        public String in(Criterion.In in) {
            return Texts.of(
                    "audience.audiences.words.in", is, named(in.audience().toString()));
        }
    }

    /** With a space before it; empty text for any link. */
    private String by(Optional<UUID> link) {
        return link.map(id -> " " + Texts.of("audience.audiences.words.by", named(id.toString())))
                .orElse("");
    }

    /** What is there no more has no name. */
    private String named(String id) {
        return "“" + names.getOrDefault(id, Texts.of("audience.audiences.gone")) + "”";
    }

    /** With a space before it; empty text for any time. */
    private String when(When when) {
        if (when.lastDays() > 0) {
            return " " + Texts.of("audience.audiences.words.last-days", when.lastDays());
        }
        if (when.first().isPresent() && when.last().isPresent()) {
            return " " + Texts.of("audience.audiences.words.between", day(when.first()), day(when.last()));
        }
        return when.first()
                        .map(day -> " " + Texts.of("audience.audiences.words.since", figures.day(day)))
                        .orElse("")
                + when.last()
                        .map(day -> " " + Texts.of("audience.audiences.words.until", figures.day(day)))
                        .orElse("");
    }

    private String day(Optional<LocalDate> day) {
        return day.map(figures::day).orElse("");
    }
}
