package wendo.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;

class MigrationsTest {
    private static final Path FOLDER = Path.of("src/main/resources/db/migration");
    private final String database = TestDatabase.fresh();

    /** Features that bore another name when the migration was written. */
    private static final Map<String, String> RENAMED = Map.of("keep", "linklist", "subscribing", "newsletters");

    /** What the last of these answers. */
    private List<String> query(String role, String... sql) throws SQLException {
        try (Connection connection = TestDatabase.connect(database, role);
                Statement statement = connection.createStatement()) {
            for (String before : List.of(sql).subList(0, sql.length - 1)) {
                statement.execute(before);
            }
            try (ResultSet row = statement.executeQuery(sql[sql.length - 1])) {
                List<String> rows = new ArrayList<>();
                while (row.next()) {
                    rows.add(row.getString(1));
                }
                return rows;
            }
        }
    }

    @Test
    void they_run_from_empty_in_one_sequence_named_after_features() throws Exception {
        List<String> files;
        try (var all = Files.list(FOLDER)) {
            files = all.map(path -> path.getFileName().toString()).sorted().toList();
        }
        Set<String> features;
        try (var all = Files.walk(Path.of("src/main/java/wendo/app"))) {
            features = all.filter(Files::isDirectory)
                    .map(path -> path.getFileName().toString())
                    .collect(java.util.stream.Collectors.toSet());
        }
        for (int i = 0; i < files.size(); i++) {
            assertThat(files.get(i)).matches("V%03d__[a-z]+(_[a-z]+)*\\.sql".formatted(i + 1));
            String feature = files.get(i).replaceFirst("^V\\d+__([a-z]+).*$", "$1");
            assertThat(features).contains(RENAMED.getOrDefault(feature, feature));
        }
        assertThat(query(
                        "wendo_owner",
                        "select script from flyway_schema_history where success order by installed_rank"))
                .containsExactlyElementsOf(files);
    }

    @Test
    void every_table_with_a_business_is_behind_a_policy() throws SQLException {
        String tables = """
                select distinct c.relname from pg_class c
                join pg_attribute a on a.attrelid = c.oid and not a.attisdropped
                where c.relkind in ('r', 'p') and not c.relispartition and c.relnamespace = 'public'::regnamespace
                    and (a.attname = 'business_id' or c.relname = 'business')
                """;
        List<String> walled = query("wendo_owner", tables + """
                 and c.relrowsecurity and exists (select from pg_policy p where p.polrelid = c.oid
                    and pg_get_expr(p.polqual, p.polrelid) like '%= ( SELECT current_business()%')
                """);
        assertThat(walled).hasSizeGreaterThan(10).containsExactlyInAnyOrderElementsOf(query("wendo_owner", tables));
    }

    @Test
    void the_applications_role_owns_nothing_and_cannot_pass_by_the_policies() throws SQLException {
        assertThat(query("wendo_app", """
                select rolname from pg_roles where rolname = current_user and (rolsuper or rolbypassrls or rolcreaterole or rolcreatedb)
                union select relname from pg_class where relowner = current_user::regrole
                union select proname from pg_proc where proowner = current_user::regrole
                """)).isEmpty();
    }

    @Test
    void only_the_named_doors_see_more_than_one_business() throws SQLException {
        assertThat(query(
                        "wendo_owner",
                        "select proname from pg_proc where prosecdef and pronamespace = 'public'::regnamespace"))
                .containsExactlyInAnyOrder(
                        "analyze_audiences",
                        "analyze_visits",
                        "analyze_new_visit_months",
                        "analyze_first_links",
                        "analyze_credit_tables",
                        "analyze_credit_rows",
                        "analyze_arrival_sums",
                        "door_site_key",
                        "door_memberships",
                        "door_invitation",
                        "door_api_key",
                        "door_audience_due",
                        "door_audience_visits",
                        "door_outcomes_awaiting",
                        "door_postbacks_waiting",
                        "door_mailings",
                        "door_link_hosts",
                        "door_links",
                        "door_links",
                        "door_links_of",
                        "door_proof",
                        "door_opt_in",
                        "door_signpost",
                        "door_report",
                        "door_link_report",
                        "door_share_cards",
                        "door_share_picture",
                        "door_form",
                        "door_newsletter_list",
                        "door_join_request",
                        "door_messages_due",
                        "door_outgoing",
                        "door_clip",
                        "door_brand_logo",
                        "door_taggings",
                        "door_tag_calls_due",
                        "door_leads_waiting",
                        "door_destinations_due",
                        "door_businesses_keeping",
                        "door_businesses_to_delete",
                        "door_counts",
                        "door_partner",
                        "door_partner_registration",
                        "delete_business",
                        "drop_empty_visit_months",
                        "ensure_visit_month",
                        "forget_tag_calls",
                        "door_link_alerts",
                        "door_networks_changed",
                        "door_networks",
                        "door_postback",
                        "forget_postbacks",
                        "analyze_visit_sums");
    }

    /** What the role of the intake may do beside what everybody may: nothing but to store visits and add to their sums. */
    @Test
    void the_intake_sees_visits_and_what_they_are_sorted_by_and_nothing_else() throws SQLException {
        assertThat(query("wendo_owner", """
                        select table_name || ': ' || string_agg(distinct lower(privilege_type), ', ' order by lower(privilege_type))
                        from information_schema.role_table_grants where grantee = 'wendo_intake' group by table_name
                        """))
                .containsExactlyInAnyOrder(
                        "visit: insert, select",
                        "visit_alias: insert",
                        "visit_sum: insert, select, update",
                        "visit_month_sum: insert, select, update",
                        "visit_trait_sum: insert, select, update",
                        "visit_person_sum: insert, select, update");
        assertThat(query("wendo_owner", """
                        select table_name || ': ' || string_agg(column_name, ', ' order by column_name)
                        from information_schema.role_column_grants g
                        where grantee = 'wendo_intake' and privilege_type = 'SELECT' and not exists (
                            select from information_schema.role_table_grants t
                            where t.grantee = g.grantee and t.table_name = g.table_name)
                        group by table_name
                        """))
                .containsExactlyInAnyOrder(
                        "business: id, zone",
                        "destination: address, business_id, id",
                        "link: business_id, counted_from, id",
                        "recipient: business_id, code, id, link_id",
                        "source: business_id, id, merged_into");
    }

    @Test
    void the_application_passes_no_policy_by_the_intakes_role_until_it_takes_it_up() throws SQLException {
        String business = UUID.randomUUID().toString();
        query("wendo_owner", """
                insert into business (id, name, currency, zone, locale, site_key, created_at)
                values ('%s', 'Dunlin Dairy', 'GBP', 'Europe/London', 'en-GB', 'dunlin', now()) returning name
                """.formatted(business));
        String zones = "select zone from business";
        assertThat(query("wendo_app", zones)).isEmpty();
        assertThat(query("wendo_app", "set role wendo_intake", zones)).containsExactly("Europe/London");
        assertThatThrownBy(() -> query("wendo_app", "set role wendo_intake", "select name from business"))
                .hasMessageContaining("permission denied");
        String heir = "heir_" + UUID.randomUUID().toString().replace("-", "");
        query("postgres", "create role %s login inherit in role wendo_intake".formatted(heir), "select 1");
        try {
            assertThat(query(heir, zones))
                    .as("also where it inherits by mistake")
                    .isEmpty();
        } finally {
            query("postgres", "drop role " + heir, "select 1");
        }
    }
}
