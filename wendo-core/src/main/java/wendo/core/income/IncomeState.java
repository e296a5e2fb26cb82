package wendo.core.income;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** How far a network is with what it pays for an outcome. */
public enum IncomeState {
    /** Reported, and not looked at by whoever pays. */
    PENDING("pending", "open", "new", "tracked", "waiting"),
    /** It will be paid. */
    APPROVED("approved", "confirmed", "accepted", "locked", "validated", "payable"),
    /** It will not be paid, or was taken back. */
    DECLINED("declined", "rejected", "cancelled", "canceled", "void", "voided", "reversed", "deleted"),
    PAID("paid", "paid out", "settled");

    private final List<String> words;

    IncomeState(String... words) {
        this.words = List.of(words);
    }

    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** Throws on a key that is none. */
    public static IncomeState of(String key) {
        return valueOf(key.toUpperCase(Locale.ROOT));
    }

    /** What networks mean by a word; letter case makes no difference. Empty for a word that none of them uses. Common practice. */
    public static Optional<IncomeState> spoken(String text) {
        String word = text.strip().toLowerCase(Locale.ROOT);
        return Arrays.stream(values()).filter(one -> one.words.contains(word)).findFirst();
    }

    /** Whether it counts as income: it is paid, or will be. */
    public boolean isEarned() {
        return this == APPROVED || this == PAID;
    }
}
