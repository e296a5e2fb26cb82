package wendo.app.platform.sending;

import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import org.springframework.stereotype.Component;
import wendo.app.platform.site.Installation;
import wendo.app.platform.site.Texts;
import wendo.core.media.DkimKey;
import wendo.core.media.DmarcRecord;

/** Whether receivers can tell mail of the sending domain from mail that only pretends to come from it, and what to set. */
@Component
class SendingDomain {
    /** Loopback and private networks: RFC 6890. */
    private static final Pattern NEXT_DOOR =
            Pattern.compile("(127|10|192\\.168|172\\.(1[6-9]|2\\d|3[01]))\\..*|::1|f[cd].*|fe80:.*");

    private final DomainNames names;
    private final String from;
    private final String host;
    private final String selector;

    SendingDomain(DomainNames names, Installation installation) {
        this.names = names;
        this.from = installation.mail().from();
        this.host = installation.mail().host();
        this.selector = installation.mail().dkimSelector();
    }

    /** How good what was found is. */
    enum State {
        GOOD,
        WEAK,
        MISSING,
        UNKNOWN;

        public String key() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /**
     * What was found of one of the three.
     *
     * @param what SPF, DKIM or DMARC
     * @param said what it means
     * @param name of the record that would be set; empty text if nothing needs to be
     * @param value the text of that record; empty text if it is for the mail server's operator to give
     */
    record Finding(String what, State state, String said, String name, String value) {
        static Finding good(String what, String said) {
            return new Finding(what, State.GOOD, said, "", "");
        }
    }

    String domain() {
        return from.substring(from.indexOf('@') + 1);
    }

    List<Finding> check() {
        return List.of(asked("SPF", this::spf), asked("DKIM", this::dkim), asked("DMARC", this::dmarc));
    }

    private interface Check {
        Finding run();
    }

    private static Finding asked(String what, Check check) {
        try {
            return check.run();
        } catch (UncheckedIOException e) {
            return new Finding(what, State.UNKNOWN, Texts.of("platform.sending.domain.no-answer"), "", "");
        }
    }

    /** RFC 7208. */
    private Finding spf() {
        List<String> records = names.texts(domain()).stream()
                .filter(text -> text.toLowerCase(Locale.ROOT).matches("v=spf1( .*)?"))
                .toList();
        if (records.size() > 1) { // section 4.5
            return new Finding("SPF", State.MISSING, Texts.of("platform.sending.domain.spf-many"), domain(), "");
        }
        if (records.isEmpty()) {
            return new Finding(
                    "SPF", State.MISSING, Texts.of("platform.sending.domain.spf-none"), domain(), named("v=spf1 ~all"));
        }
        return judged(records.get(0));
    }

    private Finding judged(String record) {
        if (record.matches("(?i).*\\s\\+?all(\\s.*)?")) { // section 5.1: everybody may send
            String closed = record.replaceFirst("(?i)\\s\\+?all(?=\\s|$)", " ~all");
            return new Finding("SPF", State.WEAK, Texts.of("platform.sending.domain.spf-open"), domain(), closed);
        }
        Optional<InetAddress> server = names.addresses(host).stream()
                .filter(one -> !one.isLoopbackAddress() && !one.isSiteLocalAddress())
                .findFirst();
        if (server.isEmpty()) {
            return new Finding(
                    "SPF", State.UNKNOWN, Texts.of("platform.sending.domain.spf-behind", record, host), "", "");
        }
        String result = names.spf(server.get(), from, host);
        return switch (result) {
            case "pass" -> Finding.good("SPF", Texts.of("platform.sending.domain.spf-passes", host));
            case "permerror" ->
                new Finding("SPF", State.MISSING, Texts.of("platform.sending.domain.spf-broken", record), domain(), "");
            case "temperror" ->
                new Finding("SPF", State.UNKNOWN, Texts.of("platform.sending.domain.no-answer"), "", "");
            default ->
                new Finding(
                        "SPF",
                        State.WEAK,
                        Texts.of("platform.sending.domain.spf-other", host, result),
                        domain(),
                        named(record));
        };
    }

    /** The same record, with this mail server before what is said of all others; one next door is not what receivers see. */
    private String named(String record) {
        boolean isAddress = host.matches("[0-9.]+|.*:.*");
        if (host.equals("localhost") || isAddress && NEXT_DOOR.matcher(host).matches()) {
            return record.replaceFirst("(?i)^v=spf1(?! mx)", "v=spf1 mx");
        }
        String kind = isAddress ? (host.contains(":") ? "ip6:" : "ip4:") : "a:";
        return record.replaceFirst("(?i)^v=spf1", "v=spf1 " + kind + host);
    }

    /** RFC 6376. */
    private Finding dkim() {
        if (selector.isEmpty()) {
            return new Finding("DKIM", State.UNKNOWN, Texts.of("platform.sending.domain.dkim-no-selector"), "", "");
        }
        String name = selector + "._domainkey." + domain();
        Optional<DkimKey> key = names.texts(name).stream()
                .flatMap(text -> DkimKey.of(text).stream())
                .findFirst();
        if (key.isEmpty() || key.get().kind() == DkimKey.Kind.WITHDRAWN) {
            return new Finding("DKIM", State.MISSING, Texts.of("platform.sending.domain.dkim-none"), name, "");
        }
        if (key.get().isShort()) {
            String said = Texts.of(
                    key.get().isTooWeak()
                            ? "platform.sending.domain.dkim-too-weak"
                            : "platform.sending.domain.dkim-short",
                    key.get().bits());
            return new Finding("DKIM", key.get().isTooWeak() ? State.MISSING : State.WEAK, said, name, "");
        }
        return Finding.good("DKIM", Texts.of("platform.sending.domain.dkim-good", name));
    }

    /** RFC 7489, section 6.6.3; the domain above is found by walking up to the last two labels, which is ours. */
    private Finding dmarc() {
        String suggested = "v=DMARC1; p=none; rua=mailto:" + from;
        String at = domain();
        boolean isAbove = false;
        while (at.contains(".")) {
            List<DmarcRecord> found = names.texts("_dmarc." + at).stream()
                    .flatMap(text -> DmarcRecord.of(text).stream())
                    .toList();
            if (found.size() > 1) {
                return new Finding(
                        "DMARC", State.MISSING, Texts.of("platform.sending.domain.dmarc-many"), "_dmarc." + at, "");
            }
            if (!found.isEmpty()) {
                return policy(found.get(0), at, isAbove);
            }
            at = at.substring(at.indexOf('.') + 1);
            isAbove = true;
        }
        return new Finding(
                "DMARC",
                State.MISSING,
                Texts.of("platform.sending.domain.dmarc-none"),
                "_dmarc." + domain(),
                suggested);
    }

    private Finding policy(DmarcRecord record, String at, boolean isAbove) {
        String policy = isAbove ? record.subdomains() : record.policy();
        return policy.equals("none")
                ? new Finding(
                        "DMARC",
                        State.WEAK,
                        Texts.of("platform.sending.domain.dmarc-none-asked"),
                        "_dmarc." + at,
                        "v=DMARC1; p=quarantine; rua=mailto:" + from)
                : Finding.good("DMARC", Texts.of("platform.sending.domain.dmarc-good", policy, at));
    }
}
