package wendo.core.media;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * DMARC: the records of RFC 7489, appendix B.2. DKIM: the keys of RFC 6376, appendix C.2, and RFC 8463, appendix A.2 (both
 * from memory; that they are keys, and of how many bits, OpenSSL says too), and two that OpenSSL made.
 */
class MailRecordsTest {
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "v=DMARC1; p=none; rua=mailto:dmarc-feedback@example.com|none|none|true",
                "v=DMARC1; p=none; rua=mailto:dmarc-feedback@example.com; ruf=mailto:auth-reports@example.com|none|none|true",
                "v=DMARC1; p=quarantine; rua=mailto:dmarc-feedback@example.com,mailto:tld-test@thirdparty.example.net!10m; pct=25|quarantine|quarantine|true",
                "v=DMARC1; p=reject; sp=none|reject|none|false",
                "V = dmarc1 ;P=Reject|reject|reject|false",
                "v=DMARC1; p=reject; sp=nonsense|reject|reject|false"
            })
    void a_domains_policy_is_read(String text, String policy, String subdomains, boolean hasReports) {
        assertThat(DmarcRecord.of(text)).hasValue(new DmarcRecord(policy, subdomains, hasReports));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "v=DMARC1",
                "p=none; v=DMARC1",
                "v=DMARC2; p=none",
                "v=DMARC1; p=maybe",
                "v=spf1 -all",
                "v=DMARC1x; p=none"
            })
    void what_is_no_policy_is_none(String text) {
        assertThat(DmarcRecord.of(text)).isEmpty();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "v=DKIM1; p=MIGfMA0GCSqGSIb3DQEBAQUAA4GNADCBiQKBgQDwIRP/UC3SBsEmGqZ9ZJW3/DkMoGeLnQg1fWn7/zYtIxN2SnFCjxOCKG9v3b4jYfcTNh5ijSsq631uBItLa7od+v/RtdC2UzJ1lWT947qR+Rcac2gbto/NMqJ0fzfVjH4OuKhitdY9tf6mcwGjaNBcWToIMmPSPDdQPNUYckcy2QIDAQAB|RSA|1024",
                "v=DKIM1; k=rsa; p=MIGfMA0GCSqGSIb3DQEBAQUAA4GNADCBiQKBgQDkHlOQoBTzWRiGs5V6NpP3idY6Wk08a5qhdR6wy5bdOKb2jLQiY/J16JYi0Qvx/byYzCNb3W91y3FutACDfzwQ/BC/e/8uBsCR+yz1Lxj+PL6lHvqMKrM3rG4hstT5QjvHO9PzoxZyVYLzBfO2EeC3Ip3G+2kryOTIKT+l/K4w3QIDAQAB|RSA|1024",
                "v=DKIM1; k=ed25519; p=11qYAYKxCrfVS/7TyWQHOg7hcvPapiMlrwIaaPcHURo=|ED25519|256",
                "p=MFwwDQYJKoZIhvcNAQEBBQADSwAwSAJBALMicZ34SkYakGfO1WimyFd59LhNqHtrETWghpmyCAGZQapjX8esZP3IfYNqGyeEoXLoVKp8GkugC2Lldc7wKw8CAwEAAQ==|RSA|512",
                "v=DKIM1;p=MIIBIjANBgkqhkiG9w0BAQEFAAOCAQ8AMIIBCgKCAQEA2zeGKzT1XhIcVqa8gxyTA41Yq6DfI+TKiw5gLHmI+4z0LYyf7ZUdpLlYdttdz0D/ jc/yh202nTLKR7otMeIIgAdCaxdUZFf0rnOcDiMFzRynJe3G3odo2z/v1dzdnFyMzQUHm+JAFf6lUI1BUIFMfFHvQOqcVbRH5E1Tv2bvI9rFs3TjgkkEkj3tbpCGy5m5WCTsWG6Ziie5b5odHsu9RE5GGOzeXUohr7zEUJz5R3mGKlYGeh1YwfuHHBMIoeydLDK0sEBcGhDKbTCSyknmgoCK6DfSew55XYZE4XCLFXUMQ5PGk2pDZaL4daUlYLZ+dFWxnC++21PMdAWcuskopwIDAQAB|RSA|2048",
                "v=DKIM1; p=|WITHDRAWN|0"
            })
    void a_domains_key_is_read(String text, DkimKey.Kind kind, int bits) {
        assertThat(DkimKey.of(text)).hasValue(new DkimKey(kind, bits));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"", "v=DKIM1", "v=DKIM2; p=", "v=DKIM1; p=AAAA", "v=DKIM1; p=%%%", "v=DKIM1; k=ed25519; p=AAAA"})
    void what_is_no_key_is_none(String text) {
        assertThat(DkimKey.of(text)).isEmpty();
    }

    /** RFC 8301, section 3.2: below 1024 bits no signature counts, and 2048 are recommended. */
    @Test
    void short_keys_are_told_from_good_ones() {
        assertThat(new DkimKey(DkimKey.Kind.RSA, 512).isTooWeak()).isTrue();
        assertThat(new DkimKey(DkimKey.Kind.RSA, 1024).isTooWeak()).isFalse();
        assertThat(new DkimKey(DkimKey.Kind.RSA, 1024).isShort()).isTrue();
        assertThat(new DkimKey(DkimKey.Kind.RSA, 2048).isShort()).isFalse();
        assertThat(new DkimKey(DkimKey.Kind.ED25519, 256).isShort()).isFalse();
        assertThat(DmarcRecord.of("v=DMARC1; p=none").orElseThrow().asksNothing())
                .isTrue();
    }
}
