package wendo.app.platform.business;

import java.util.OptionalInt;
import org.springframework.orm.ObjectOptimisticLockingFailureException;

/**
 * The version that a form showed, as it came back with what was typed. Forms that show none, such as a program's, hold
 * nothing up.
 */
public record EditedVersion(OptionalInt number) {
    private static final int MOST_DIGITS = 9;
    private static final int CONTENTS = 1_000_000_000;

    public static EditedVersion any() {
        return new EditedVersion(OptionalInt.empty());
    }

    public static EditedVersion of(int version) {
        return new EditedVersion(OptionalInt.of(version));
    }

    /** Text that is no number is taken for a version that nobody has, so that nothing is overwritten by it. */
    public static EditedVersion of(String typed) {
        if (typed.isEmpty()) {
            return any();
        }
        boolean isNumber = typed.length() <= MOST_DIGITS && typed.chars().allMatch(c -> c >= '0' && c <= '9');
        return of(isNumber ? Integer.parseInt(typed) : -1);
    }

    /**
     * For settings that share a row with others: a number made from their own values, because the row's version also
     * counts changes of the others.
     */
    public static int ofContent(Record content) {
        return Math.floorMod(content.toString().hashCode(), CONTENTS);
    }

    /** Refuses what was typed into a form that showed an older version than this one. */
    public void mustBe(int version, String what) {
        if (!isOf(version)) {
            throw new ObjectOptimisticLockingFailureException(what, "version " + version);
        }
    }

    private boolean isOf(int version) {
        return number.isEmpty() || number.getAsInt() == version;
    }
}
