package wendo.app.platform.sending;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.Duration;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wendo.app.platform.site.Installation;

/** SPF: RFC 7208, sections 4.5, 4.6.4 and 5; DKIM: RFC 6376, 3.6.1, and RFC 8301, 3.2; DMARC: RFC 7489, 6.3 and 6.6.3. */
class SendingDomainTest {
    private static final String KEY_1024 =
            "v=DKIM1; p=MIGfMA0GCSqGSIb3DQEBAQUAA4GNADCBiQKBgQDkHlOQoBTzWRiGs5V6NpP3idY6Wk08a5qhdR6wy5bdOKb2jLQiY/J16JYi0Qvx/byYzCNb3W91y3FutACDfzwQ/BC/e/8uBsCR+yz1Lxj+PL6lHvqMKrM3rG4hstT5QjvHO9PzoxZyVYLzBfO2EeC3Ip3G+2kryOTIKT+l/K4w3QIDAQAB";

    private final Map<String, List<String>> texts = new HashMap<>();
    private final Map<String, String> addresses = new HashMap<>(Map.of("mail.gull.example", "192.0.2.10"));

    private Map<String, SendingDomain.Finding> check(String host, String selector) throws Exception {
        try (NameServer server = new NameServer(texts, addresses)) {
            return check(host, selector, server.address());
        }
    }

    private SendingDomain.Finding finding(String what, String host, String selector) throws Exception {
        return Objects.requireNonNull(check(host, selector).get(what));
    }

    private static Map<String, SendingDomain.Finding> check(String host, String selector, String server) {
        Installation installation = new Installation(
                Path.of(""),
                4,
                Duration.ofSeconds(1),
                "",
                "",
                "http://localhost",
                "http://go.localhost",
                new Installation.Mail(host, 25, "", "", "post@news.gull.example", selector, server, ""),
                new Installation.Texts("", ""));
        Map<String, SendingDomain.Finding> found = new HashMap<>();
        new SendingDomain(new DomainNames(installation), installation)
                .check()
                .forEach(one -> found.put(one.what(), one));
        return found;
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "v=spf1 ip4:192.0.2.0/24 -all|GOOD|",
                "v=spf1 a:mail.gull.example ~all|GOOD|",
                "v=spf1 include:_spf.gull.example -all|GOOD|",
                "v=spf1 ip4:198.51.100.1 -all|WEAK|v=spf1 a:mail.gull.example ip4:198.51.100.1 -all",
                "v=spf1 ip4:192.0.2.10 +all|WEAK|v=spf1 ip4:192.0.2.10 ~all",
                "v=spf1 include:nobody.gull.example -all|MISSING|",
                "v=spf1 ip4:nonsense -all|MISSING|",
                "something else|MISSING|v=spf1 a:mail.gull.example ~all"
            })
    void whether_the_mail_server_may_send_for_the_domain(String record, SendingDomain.State state, String toSet)
            throws Exception {
        texts.put("news.gull.example", List.of("other text", record));
        texts.put("_spf.gull.example", List.of("v=spf1 ip4:192.0.2.10 -all"));
        SendingDomain.Finding found = finding("SPF", "mail.gull.example", "");
        assertThat(found.state()).as(found.said()).isEqualTo(state);
        assertThat(found.value()).isEqualTo(toSet == null ? "" : toSet);
    }

    @ParameterizedTest
    @CsvSource({
        "mail.gull.example,v=spf1 a:mail.gull.example ~all",
        "192.0.2.10,v=spf1 ip4:192.0.2.10 ~all",
        "2001:db8::10,v=spf1 ip6:2001:db8::10 ~all",
        "127.0.0.1,v=spf1 mx ~all",
        "10.0.0.4,v=spf1 mx ~all",
        "localhost,v=spf1 mx ~all"
    })
    void what_to_set_names_the_server_as_receivers_see_it(String host, String toSet) throws Exception {
        assertThat(finding("SPF", host, "").value()).isEqualTo(toSet);
    }

    @Test
    void two_records_count_as_none_and_a_server_next_door_tells_nothing() throws Exception {
        texts.put("news.gull.example", List.of("v=spf1 -all", "v=spf1 ~all"));
        assertThat(finding("SPF", "mail.gull.example", "").said()).contains("several SPF records");
        texts.put("news.gull.example", List.of("v=spf1 mx -all"));
        addresses.put("mail.gull.example", "10.0.0.4");
        SendingDomain.Finding found = finding("SPF", "mail.gull.example", "");
        assertThat(found.state()).isEqualTo(SendingDomain.State.UNKNOWN);
        assertThat(found.said()).contains("v=spf1 mx -all");
    }

    @Test
    void the_key_stands_under_the_servers_selector() throws Exception {
        assertThat(finding("DKIM", "mail.gull.example", "").said()).contains("WENDO_MAIL_DKIM_SELECTOR");
        SendingDomain.Finding none = finding("DKIM", "mail.gull.example", "s1");
        assertThat(none.state()).isEqualTo(SendingDomain.State.MISSING);
        assertThat(none.name()).isEqualTo("s1._domainkey.news.gull.example");
        texts.put("s1._domainkey.news.gull.example", List.of(KEY_1024));
        SendingDomain.Finding weak = finding("DKIM", "mail.gull.example", "s1");
        assertThat(weak.state()).isEqualTo(SendingDomain.State.WEAK);
        assertThat(weak.said()).contains("1,024 bits");
        texts.put(
                "s1._domainkey.news.gull.example",
                List.of("v=DKIM1; k=ed25519; p=11qYAYKxCrfVS/7TyWQHOg7hcvPapiMlrwIaaPcHURo="));
        assertThat(finding("DKIM", "mail.gull.example", "s1").state()).isEqualTo(SendingDomain.State.GOOD);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "_dmarc.news.gull.example|v=DMARC1; p=reject|GOOD|",
                "_dmarc.gull.example|v=DMARC1; p=reject|GOOD|",
                "_dmarc.gull.example|v=DMARC1; p=reject; sp=none|WEAK|v=DMARC1; p=quarantine; rua=mailto:post@news.gull.example",
                "_dmarc.news.gull.example|v=DMARC1; p=none|WEAK|v=DMARC1; p=quarantine; rua=mailto:post@news.gull.example",
                "_dmarc.other.example|v=DMARC1; p=reject|MISSING|v=DMARC1; p=none; rua=mailto:post@news.gull.example"
            })
    void what_receivers_are_asked_to_do_stands_at_the_domain_or_above(
            String name, String record, SendingDomain.State state, String toSet) throws Exception {
        texts.put(name, List.of(record));
        SendingDomain.Finding found = finding("DMARC", "mail.gull.example", "");
        assertThat(found.state()).as(found.said()).isEqualTo(state);
        assertThat(found.value()).isEqualTo(toSet == null ? "" : toSet);
    }

    @Test
    void where_nobody_answers_nothing_is_known() throws Exception {
        String closed;
        try (NameServer server = new NameServer(Map.of(), Map.of())) {
            closed = server.address();
        }
        assertThat(check("mail.gull.example", "s1", closed).values())
                .extracting(SendingDomain.Finding::state)
                .containsOnly(SendingDomain.State.UNKNOWN);
    }
}
