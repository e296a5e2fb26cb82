package wendo.app.outcome.outcomes;

import java.util.HashSet;
import java.util.Locale;
import java.util.Set;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import wendo.app.platform.privacy.KnownPerson;
import wendo.app.platform.privacy.PersonFinder;
import wendo.core.visits.ClickId;

/** Finds people by what they told with their outcomes. */
@Component
class OutcomePersonFinder implements PersonFinder {
    private static final String SQL = """
            select id, lower(email), phone from outcome
            where lower(email) = :typed or phone = :typed or lower(name) = :typed or reference_key = :typed
                or click_id = cast(:click as uuid)
            """;

    private final JdbcClient jdbc;

    OutcomePersonFinder(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    @Override
    public KnownPerson find(String typed) {
        Set<String> contacts = new HashSet<>();
        Set<UUID> outcomes = new HashSet<>();
        jdbc.sql(SQL)
                .param("typed", typed.strip().toLowerCase(Locale.ROOT))
                .param(
                        "click",
                        ClickId.find(typed.strip())
                                .map(click -> click.uuid().toString())
                                .orElse(null))
                .query(row -> {
                    outcomes.add(row.getObject(1, UUID.class));
                    contacts.add(row.getString(2));
                    contacts.add(row.getString(3));
                });
        contacts.remove("");
        return new KnownPerson(contacts, outcomes);
    }
}
