package wendo.core.audience;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;

/** What can be asked of somebody. */
public sealed interface Criterion {
    /** More at once is a campaign or a channel. Ours. */
    int MOST_CHOSEN = 100;

    /** What is made of a criterion of each kind, so that none is forgotten. */
    interface Reader<T> {
        T came(Came criterion);

        T did(Did criterion);

        T spent(Spent criterion);

        T leadAt(LeadAt criterion);

        T labelled(Labelled criterion);

        T subscribed(Subscribed criterion);

        T known(Known criterion);

        T sent(Sent criterion);

        T tapped(Tapped criterion);

        T leftForm(LeftForm criterion);

        T in(In criterion);
    }

    <T> T read(Reader<T> reader);

    /** By what links somebody came. */
    enum Way {
        ANY,
        SOURCE,
        CAMPAIGN,
        CHANNEL,
        LINK;

        public String key() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** What is known of somebody from their last visit. */
    enum Trait {
        LANGUAGE,
        COUNTRY,
        DEVICE;

        public String key() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /**
     * Visits by links, double taps, robots, previews and tests left out.
     *
     * @param which identifiers of sources, campaigns or links, or keys of channels; none for any way
     * @param atLeast visits
     */
    record Came(Way way, List<String> which, When when, int atLeast) implements Criterion {
        public Came {
            which = chosen(which);
            if ((way == Way.ANY) != which.isEmpty()) {
                throw new IllegalArgumentException("Choose at least one " + way.key());
            }
            positive("visits", atLeast);
        }

        @Override
        public <T> T read(Reader<T> reader) {
            return reader.came(this);
        }
    }

    /**
     * Outcomes that count: no tests, and none that was cancelled.
     *
     * @param kind lead, booking, purchase or subscription; {@code any} for each but a subscription
     * @param product a part of what was booked or bought, in any case; empty text for anything
     * @param atLeastMinor what one of them is worth, after refunds; 0 for any value
     * @param atMost so many of them; empty for no bound
     */
    record Did(String kind, When when, String product, long atLeastMinor, int atLeast, Optional<Integer> atMost)
            implements Criterion {
        public Did {
            product = product.strip().toLowerCase(Locale.ROOT);
            notNegative("value", atLeastMinor);
            positive("outcomes", atLeast);
            if (atMost.isPresent() && atMost.get() < atLeast) {
                throw new IllegalArgumentException("At most " + atMost.get() + " is less than at least " + atLeast);
            }
        }

        /** Whether it asks no more than that there is one, whenever and of whatever value. */
        public boolean isWhetherEver() {
            return when.isEver() && product.isEmpty() && atLeastMinor == 0 && atLeast == 1 && atMost.isEmpty();
        }

        @Override
        public <T> T read(Reader<T> reader) {
            return reader.did(this);
        }
    }

    /** All bookings and purchases together, after refunds. */
    record Spent(long atLeastMinor, When when) implements Criterion {
        public Spent {
            if (atLeastMinor <= 0) {
                throw new IllegalArgumentException("The least value has to be above 0, but was " + atLeastMinor);
            }
        }

        @Override
        public <T> T read(Reader<T> reader) {
            return reader.spent(this);
        }
    }

    /**
     * A lead of theirs is at this stage.
     *
     * @param quietDays nothing has been done with it or heard of it for so many days; 0 for any
     */
    record LeadAt(String stage, int quietDays) implements Criterion {
        public LeadAt {
            if (quietDays < 0 || quietDays > When.MOST_DAYS) {
                throw new IllegalArgumentException("Days are 0 to " + When.MOST_DAYS + ", but were " + quietDays);
            }
        }

        @Override
        public <T> T read(Reader<T> reader) {
            return reader.leadAt(this);
        }
    }

    /** A lead of theirs has this label, or they have it as a subscriber. */
    record Labelled(String label) implements Criterion {
        public Labelled {
            label = label.strip();
            said("label", label);
        }

        @Override
        public <T> T read(Reader<T> reader) {
            return reader.labelled(this);
        }
    }

    /**
     * Joined the newsletter. Whether they still agree is for consent to say.
     *
     * @param link by this link; empty for any
     * @param list and are on this list; empty for any, also one that they left
     */
    record Subscribed(Optional<UUID> link, Optional<UUID> list) implements Criterion {
        @Override
        public <T> T read(Reader<T> reader) {
            return reader.subscribed(this);
        }
    }

    /** What their last visit told. */
    record Known(Trait trait, List<String> values) implements Criterion {
        public Known {
            values = chosen(values);
            if (values.isEmpty()) {
                throw new IllegalArgumentException("Choose at least one " + trait.key());
            }
        }

        @Override
        public <T> T read(Reader<T> reader) {
            return reader.known(this);
        }
    }

    /** Was given a personal link. */
    record Sent(Optional<UUID> link) implements Criterion {
        @Override
        public <T> T read(Reader<T> reader) {
            return reader.sent(this);
        }
    }

    /** Tapped a personal link of theirs. */
    record Tapped(Optional<UUID> link, When when) implements Criterion {
        @Override
        public <T> T read(Reader<T> reader) {
            return reader.tapped(this);
        }
    }

    /** Was shown this entry form and has sent none of it since. */
    record LeftForm(UUID form, When when) implements Criterion {
        @Override
        public <T> T read(Reader<T> reader) {
            return reader.leftForm(this);
        }
    }

    /** Belongs to another audience. */
    record In(UUID audience) implements Criterion {
        @Override
        public <T> T read(Reader<T> reader) {
            return reader.in(this);
        }
    }

    private static List<String> chosen(List<String> which) {
        List<String> chosen = which.stream().distinct().toList();
        if (chosen.size() > MOST_CHOSEN) {
            throw new IllegalArgumentException(MOST_CHOSEN + " can be chosen at most, not " + chosen.size());
        }
        return chosen;
    }

    private static void said(String what, String text) {
        if (text.isEmpty()) {
            throw new IllegalArgumentException("The " + what + " is missing");
        }
    }

    private static void positive(String what, int number) {
        if (number < 1) {
            throw new IllegalArgumentException("At least 1 of " + what + ", but it was " + number);
        }
    }

    private static void notNegative(String what, long number) {
        if (number < 0) {
            throw new IllegalArgumentException("The " + what + " cannot be below 0, but was " + number);
        }
    }
}
