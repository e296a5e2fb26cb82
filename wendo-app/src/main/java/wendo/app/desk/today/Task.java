package wendo.app.desk.today;

import java.time.LocalDate;
import java.util.Optional;
import wendo.app.platform.accounts.Permission;

/**
 * Something that needs a person, and where it is put right.
 *
 * @param needs the permission of the people it is for
 * @param key tells it from all others, the same as long as it is there
 * @param putOffUntil the day on which it is shown again, if it was put off
 */
record Task(
        Permission needs,
        String key,
        String what,
        String why,
        String address,
        String action,
        Optional<LocalDate> putOffUntil) {

    /** Where it is put right, and what the button says. */
    record Way(String address, String action) {}

    /** What it is, and why it matters. */
    record Said(String what, String why) {}

    static Task of(Permission needs, String key, Said said, Way way) {
        return new Task(needs, key, said.what(), said.why(), way.address(), way.action(), Optional.empty());
    }

    Task withPutOff(LocalDate until) {
        return new Task(needs, key, what, why, address, action, Optional.of(until));
    }
}
