package wendo.app.linkhost.redirect;

import java.net.URLDecoder;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.Arrays;
import java.util.Optional;
import java.util.function.Function;
import org.springframework.stereotype.Component;
import wendo.app.issue.links.LinkDirectory;
import wendo.app.issue.sharecards.ShareCardDirectory;
import wendo.app.linkhost.tagging.TagPage;
import wendo.app.linkhost.tagging.Tagger;
import wendo.app.outcome.networks.NetworkDirectory;
import wendo.app.visit.visits.LoggedVisit;
import wendo.app.visit.visits.ProofBook;
import wendo.core.links.Circumstances;
import wendo.core.links.Device;
import wendo.core.links.Tagging;
import wendo.core.links.Way;
import wendo.core.visits.ClickId;
import wendo.core.visits.PreviewPrograms;

/**
 * Says what a link host answers, from memory: for a link a redirect to the stored address with a fresh click
 * identifier, and to programs that draw previews its card. It knows no server and waits for nothing.
 */
@Component
class LinkResponder {
    private static final int MAX_READER = 400;

    private final LinkDirectory directory;
    private final NetworkDirectory networks;
    private final ShareCardDirectory cards;
    private final Tagger tagger;
    private final Visitors visitors;
    private final Countries countries;
    private final Clock clock;
    private final Unguessable random;

    LinkResponder(
            LinkDirectory directory,
            NetworkDirectory networks,
            ShareCardDirectory cards,
            Tagger tagger,
            Visitors visitors,
            Countries countries,
            Clock clock,
            Unguessable random) {
        this.directory = directory;
        this.networks = networks;
        this.cards = cards;
        this.tagger = tagger;
        this.visitors = visitors;
        this.countries = countries;
        this.clock = clock;
        this.random = random;
    }

    LinkResponse to(LinkRequest asking) {
        Optional<LinkDirectory.Host> host = directory.findHost(asking.host());
        if (host.isEmpty() || asking.path().startsWith("/t/")) {
            return new LinkResponse.NotOurs();
        }
        boolean asks = asking.method().equals("GET") || asking.method().equals("HEAD");
        if (asks && asking.path().equals(LinkDirectory.PROOF_PATH)) {
            return new LinkResponse.Host(host.get().id());
        }
        return (asks ? directory.find(host.get(), slug(asking.path())) : Optional.<LinkDirectory.Asked>empty())
                .<LinkResponse>map(asked -> lead(asking, host.get(), asked))
                .orElseGet(() -> new LinkResponse.DeadEnd(host.get(), asking.header("Accept-Language")));
    }

    private static String slug(String path) {
        int end = path.endsWith("/") && path.length() > 1 ? path.length() - 1 : path.length();
        return path.isEmpty() ? "" : path.substring(1, end);
    }

    private LinkResponse lead(LinkRequest asking, LinkDirectory.Host host, LinkDirectory.Asked asked) {
        LinkDirectory.Target target = asked.target();
        ClickId click = ClickId.of(clock.instant(), random);
        Visitors.Seen seen = visitors.see(asking, host.keepsCookie(), click.arrivedAt());
        String country = countries.of(asking.address());
        Device device = Device.of(asking.header("User-Agent"));
        Way way = target.lead(
                click.arrivedAt(),
                (now, link) -> new Circumstances(
                        now,
                        country,
                        device,
                        Circumstances.languageOf(asking.header("Accept-Language")),
                        seen.visitor(),
                        link));
        if (asking.method().equals("HEAD")) { // a HEAD request counts as no visit, and uses up no alias
            return new LinkResponse.Redirect(
                    Tagging.append(address(asking, target, way), ClickId.PARAMETER, click.toString()),
                    Optional.empty(),
                    "");
        }
        Function<String, LoggedVisit> visit = alias -> new LoggedVisit(
                click,
                target.business(),
                target.link(),
                target.source(),
                way.destination(),
                seen.visitor(),
                asked.recipient(),
                country,
                device.key(),
                Cookies.find(asking, ProofBook.COOKIE).orElse(""),
                asking.header("User-Agent"),
                purpose(asking),
                asking.header("Referer"),
                Circumstances.languageOf(asking.header("Accept-Language")),
                alias);
        Optional<ShareCardDirectory.Shown> card = card(asking, target, way);
        if (card.isPresent()) {
            return new LinkResponse.Card(host, card.get(), way.address(), visit.apply(""));
        }
        NetworkDirectory.Redirect led = networks.lead(target.business(), address(asking, target, way), click);
        LoggedVisit logged = visit.apply(led.alias());
        TagPage.Visit shown =
                new TagPage.Visit(host, target, click, seen.visitor(), asking.header("Accept-Language"), led.address());
        return tagged(tagger.plan(arrival(asking, target, logged)), shown, logged, seen.cookie());
    }

    private static LinkResponse tagged(
            Optional<Tagger.Plan> plan, TagPage.Visit shown, LoggedVisit logged, String cookie) {
        if (plan.isEmpty()) {
            return new LinkResponse.Redirect(shown.to(), Optional.of(logged), cookie);
        }
        LoggedVisit tagged = logged.withTags(plan.get().results());
        return plan.get().needsPage()
                ? new LinkResponse.Tagged(plan.get(), shown, tagged, cookie)
                : new LinkResponse.Redirect(shown.to(), Optional.of(tagged), cookie);
    }

    private Optional<ShareCardDirectory.Shown> card(LinkRequest asking, LinkDirectory.Target target, Way way) {
        return PreviewPrograms.drawsCards(asking.header("User-Agent"))
                ? cards.find(target.link(), way.destination())
                : Optional.empty();
    }

    private static Tagger.Arrival arrival(LinkRequest asking, LinkDirectory.Target target, LoggedVisit visit) {
        return new Tagger.Arrival(
                target,
                !visit.proof().isEmpty(),
                !visit.purpose().isEmpty(),
                asking.header("Sec-GPC").equals("1"),
                visit.userAgent(),
                name -> Cookies.find(asking, name).orElse(""));
    }

    private static String address(LinkRequest asking, LinkDirectory.Target target, Way way) {
        if (target.asks()) {
            return "%s?at=%s&to=%s"
                    .formatted(
                            LinkDirectory.FORM_PATH,
                            URLEncoder.encode(slug(asking.path()), StandardCharsets.UTF_8),
                            way.destination());
        }
        return target.subscribes()
                ? findReader(asking.query())
                        .map(reader -> optIn(target, reader))
                        .orElse(way.address())
                : way.address();
    }

    private static String purpose(LinkRequest asking) {
        String modern = asking.header("Sec-Purpose");
        return modern.isEmpty() ? asking.header("Purpose") : modern;
    }

    /** What is no proper escape, like a placeholder between percent signs, is taken as it stands. */
    private static Optional<String> findReader(String query) {
        return Arrays.stream(query.split("&", -1))
                .filter(pair -> pair.startsWith(LinkDirectory.READER + "="))
                .map(pair -> decoded(pair.substring(LinkDirectory.READER.length() + 1)))
                .findFirst();
    }

    private static String decoded(String value) {
        try {
            return URLDecoder.decode(value, StandardCharsets.UTF_8);
        } catch (IllegalArgumentException e) {
            return value;
        }
    }

    /** On this same host: a reader's address goes nowhere else. */
    private static String optIn(LinkDirectory.Target target, String reader) {
        String kept = reader.length() <= MAX_READER ? reader : "";
        return "/t/opt-in/%s?%s=%s"
                .formatted(target.link(), LinkDirectory.READER, URLEncoder.encode(kept, StandardCharsets.UTF_8));
    }
}
