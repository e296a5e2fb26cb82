package wendo.app.money.partnerpage;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Objects;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import wendo.app.Http;
import wendo.app.WendoTest;
import wendo.app.prepare.sources.Sources;

/** A partner's page that opens with a code by mail only. */
class PageKeysTest extends WendoTest {
    @Autowired
    private Sources sources;

    @Autowired
    private PageKeys keys;

    private Tenant tenant;
    private UUID campsite;
    private String page;

    @BeforeEach
    void open() {
        tenant = tenant("Curlew Camping");
        Http owner = http().signIn(tenant.email());
        owner.form("/partners", "/partners", "name", "Campsite");
        campsite = in(
                tenant,
                () -> Objects.requireNonNull(sources.byIdentifierAndTag().get("campsite"))
                        .id());
        String details = "/partners/%s/details".formatted(campsite);
        owner.form(details, details, "email", "reed@campsite.example", "language", "en");
        owner.form(details, "/partners/%s/page".formatted(campsite), "byCode", "yes");
        page = "/t/partners/"
                + in(
                        tenant,
                        () -> jdbc.sql("select page_token from partner")
                                .query(String.class)
                                .single());
    }

    private String sentCode() {
        http().form(page, page + "/code");
        return in(
                tenant,
                () -> jdbc.sql("select substring(body from '\\d{6}') from outgoing where recipient = ?")
                        .param("reed@campsite.example")
                        .query(String.class)
                        .single());
    }

    @Test
    void a_page_by_code_opens_only_with_the_code_that_went_out_by_mail() {
        Http partner = http();
        assertThat(partner.get(page).body()).contains("Send code").doesNotContain(">Campsite<", "campsite.example");
        assertThat(partner.get(page + "/statement-1.pdf").statusCode()).isEqualTo(404);
        assertThat(partner.form(page, page + "/claims", "kind", "booking", "reference", "B-1")
                        .body())
                .contains("Send code");
        assertThat(count(tenant, "select count(*) from partner_claim")).isZero();
        String code = sentCode();
        String other = code.equals("000000") ? "000001" : "000000";
        assertThat(partner.form(page, page + "/code", "code", other).body()).contains("That is not the code");
        assertThat(partner.form(page, page + "/code", "code", code).statusCode())
                .isEqualTo(302);
        assertThat(partner.get(page).body()).contains(">Campsite<");
        assertThat(http().get(page).body()).as("somebody else").contains("Send code");
        assertThat(http().form(page, page + "/code", "code", code).body())
                .as("a code opens once")
                .contains("That is not the code");
    }

    @Test
    void a_code_can_be_tried_five_times() {
        String code = sentCode();
        for (int i = 0; i < 5; i++) {
            assertThat(in(tenant, () -> keys.give(campsite, "nonsense"))).isEmpty();
        }
        assertThat(in(tenant, () -> keys.give(campsite, code))).isEmpty();
    }

    @Test
    void a_new_code_takes_the_place_of_the_one_before() {
        String first = sentCode();
        String second = in(tenant, () -> {
            keys.send(new wendo.app.money.partners.OwnPage(
                    campsite, java.util.Locale.ENGLISH, true, true, "other@campsite.example"));
            return jdbc.sql(
                            "select substring(body from '\\d{6}') from outgoing where recipient = 'other@campsite.example'")
                    .query(String.class)
                    .single();
        });
        if (!first.equals(second)) {
            assertThat(in(tenant, () -> keys.give(campsite, first))).isEmpty();
        }
        assertThat(in(tenant, () -> keys.give(campsite, second))).isPresent();
    }
}
