package wendo.app.desk.setup;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.accounts.CurrentPerson;
import wendo.app.platform.site.Texts;

/** How far each part of the setup is, in a word or two. */
@Component
class SetupStates {
    /** One count a column, in the order in which {@link #states} reads them. */
    private static final String COUNTS = """
            select (select count(*) from link_host where retired_at is null),
                (select count(*) from destination where archived_at is null),
                (select count(*) from source where archived_at is null),
                (select count(*) from campaign where archived_at is null),
                (select count(*) from tag_plan),
                (select count(*) from (select from tag_call limit 1) seen),
                (select count(*) from entry_form where not archived),
                (select count(*) from handover),
                (select count(*) from target),
                (select count(*) from source_clue),
                (select count(*) from outbound_pattern),
                (select count(*) from api_key where revoked_at is null),
                (select count(*) from partner_network where not archived),
                (select count(*) from membership),
                (select count(*) from ad_desk where removed_at is null),
                (select count(*) from brand where removed_at is null)
            """;

    private final JdbcClient jdbc;

    SetupStates(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** An entry of the list with its state; empty text where there is nothing to say. */
    record Shown(SetupEntry entry, String state) {}

    /** The entries of a group, in their order. */
    record Listed(SetupEntry.Group group, List<Shown> entries) {}

    @Transactional(readOnly = true)
    List<Listed> list(CurrentPerson person) {
        Map<SetupEntry, String> states = states();
        return Arrays.stream(SetupEntry.Group.values())
                .map(group -> new Listed(
                        group,
                        Arrays.stream(SetupEntry.values())
                                .filter(entry -> entry.group() == group && entry.isFor(person))
                                .map(entry -> new Shown(entry, states.getOrDefault(entry, "")))
                                .toList()))
                .toList();
    }

    private Map<SetupEntry, String> states() {
        return jdbc.sql(COUNTS)
                .query((row, number) -> {
                    Map<SetupEntry, String> states = new EnumMap<>(SetupEntry.class);
                    states.put(SetupEntry.HOSTS, some(row.getLong(1), Texts.of("desk.setup.in-use")));
                    states.put(SetupEntry.DESTINATIONS, some(row.getLong(2), Texts.of("desk.setup.in-use")));
                    states.put(SetupEntry.SOURCES, some(row.getLong(3), Texts.of("desk.setup.state-active")));
                    states.put(SetupEntry.CAMPAIGNS, some(row.getLong(4), Texts.of("desk.setup.state-active")));
                    states.put(SetupEntry.PLANS, some(row.getLong(5), Texts.of("desk.setup.in-use")));
                    states.put(
                            SetupEntry.TAG,
                            row.getLong(6) > 0
                                    ? Texts.of("desk.setup.state-answers")
                                    : Texts.of("desk.setup.no-calls-today"));
                    states.put(SetupEntry.FORMS, some(row.getLong(7), Texts.of("desk.setup.state-active")));
                    states.put(SetupEntry.HANDOVERS, some(row.getLong(8), Texts.of("desk.setup.state-active")));
                    states.put(
                            SetupEntry.TARGETS,
                            row.getLong(9) > 0 ? Texts.of("desk.setup.state-set") : Texts.of("desk.setup.not-set"));
                    states.put(SetupEntry.CODES, some(row.getLong(10), Texts.of("desk.setup.state-known")));
                    states.put(SetupEntry.OUTGOING, some(row.getLong(11), Texts.of("desk.setup.state-counted")));
                    states.put(SetupEntry.KEYS, some(row.getLong(12), Texts.of("desk.setup.state-active")));
                    states.put(SetupEntry.NETWORKS, some(row.getLong(13), Texts.of("desk.setup.state-active")));
                    states.put(SetupEntry.AD_DESKS, some(row.getLong(15), Texts.of("desk.setup.state-active")));
                    states.put(SetupEntry.BRANDS, some(row.getLong(16), Texts.of("desk.setup.state-active")));
                    states.put(SetupEntry.PEOPLE, String.valueOf(row.getLong(14)));
                    return states;
                })
                .single();
    }

    private static String some(long number, String word) {
        return number == 0 ? Texts.of("desk.setup.none-yet") : number + " " + word;
    }
}
