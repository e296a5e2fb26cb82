package wendo.app.desk.welcome;

import java.time.Clock;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.UniqueKey;
import wendo.app.platform.site.Installation;
import wendo.app.platform.site.Texts;

/** What a business does first. Each step is done when what it is about has come, and needs no tick. */
@Service
public class FirstSteps {
    /** In the order in which a business meets them; the columns of {@link #SQL} in the same order. */
    enum Step {
        LINKS("/issue"),
        VISIT("/links"),
        SITE_TAG("/setup/site-tag"),
        OUTCOME("/outcomes/new"),
        SPEND("/spend"),
        LIMIT("/setup/targets"),
        PEOPLE("/setup/people"),
        MAIL("/setup/sending"),
        TEXTS("/setup/sending");

        private final String address;

        Step(String address) {
            this.address = address;
        }

        String key() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    private static final String SQL = """
            select exists (select from link), exists (select from visit where kind = 'person'),
                exists (select from arrival_sum) or exists (select from tag_call), exists (select from outcome where not is_proof),
                exists (select from spend where removed_at is null), exists (select from target),
                (select count(*) > 1 from membership) or exists (select from invitation)
            """;

    private final JdbcClient jdbc;
    private final FirstStepsRepository dismissed;
    private final Installation installation;
    private final Clock clock;

    FirstSteps(JdbcClient jdbc, FirstStepsRepository dismissed, Installation installation, Clock clock) {
        this.jdbc = jdbc;
        this.dismissed = dismissed;
        this.installation = installation;
        this.clock = clock;
    }

    /** A step as Today shows it. */
    public record Shown(String what, String action, String address, boolean isDone) {}

    /** Empty once all are done, or the business wants to see them no more. */
    @Transactional(readOnly = true)
    public List<Shown> list() {
        if (dismissed.count() > 0) {
            return List.of();
        }
        List<Boolean> done = jdbc.sql(SQL)
                .query((row, number) -> List.of(
                        row.getBoolean(1),
                        row.getBoolean(2),
                        row.getBoolean(3),
                        row.getBoolean(4),
                        row.getBoolean(5),
                        row.getBoolean(6),
                        row.getBoolean(7),
                        !installation.mail().host().isEmpty(),
                        !installation.texts().address().isEmpty()))
                .single();
        return done.contains(false)
                ? Arrays.stream(Step.values())
                        .map(step -> new Shown(
                                Texts.of("desk.welcome.step", step.key()),
                                Texts.of("desk.welcome.step-action", step.key()),
                                step.address,
                                done.get(step.ordinal())))
                        .toList()
                : List.of();
    }

    public void dismiss() {
        UniqueKey.refuses(() -> dismissed.save(new StoredFirstSteps(clock.instant()))); // pressed twice
    }
}
