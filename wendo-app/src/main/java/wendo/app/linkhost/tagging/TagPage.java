package wendo.app.linkhost.tagging;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Duration;
import java.util.Base64;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import org.springframework.web.util.HtmlUtils;
import tools.jackson.databind.json.JsonMapper;
import wendo.app.audience.visitortags.DirectoryTag;
import wendo.app.audience.visitortags.TagDirectory;
import wendo.app.audience.visitortags.TagKind;
import wendo.app.audience.visitortags.TagsOfLink;
import wendo.app.issue.links.LinkDirectory;
import wendo.app.platform.site.HostTemplate;
import wendo.app.platform.site.PublicLanguages;
import wendo.app.platform.site.Texts;
import wendo.core.audience.TagConsent;
import wendo.core.audience.TagPurpose;
import wendo.core.visits.ClickId;

/**
 * The small page between a link with visitor tags and where it leads. It asks, where something is to be asked, and uses the
 * tags. It has all that it needs in it, so that it works while everything but link domains is down.
 */
@Component
public class TagPage {
    /** A desk that takes longer than that keeps nobody. */
    private static final Duration MOST = Duration.ofMillis(1000);

    /** How long a refusal may take to be told. */
    private static final Duration LEAST = Duration.ofMillis(250);

    /** Without an answer it goes on by itself, as a no. */
    private static final Duration WAITS = Duration.ofSeconds(2);

    private final TagDirectory directory;
    private final JsonMapper json;
    private final String style = read("tag-page.css");
    private final String script = read("tag-page.js");
    private final HostTemplate page;

    TagPage(TagDirectory directory, JsonMapper json) {
        this.directory = directory;
        this.json = json;
        this.page =
                new HostTemplate(read("tag-page.html").replace("[style]", style).replace("[script]", script));
    }

    private static String read(String file) {
        try (InputStream in = TagPage.class.getResourceAsStream("/data/" + file)) {
            return new String(Objects.requireNonNull(in).readAllBytes(), StandardCharsets.UTF_8).strip();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /**
     * The visit that the page stands before.
     *
     * @param to where the link leads on
     */
    public record Visit(
            LinkDirectory.Host host,
            LinkDirectory.Target target,
            ClickId click,
            UUID visitor,
            String acceptLanguage,
            String to) {}

    public record Shown(Map<String, String> headers, String html) {}

    /** @param frame whether it is a page of its own, else a picture */
    private record Used(String id, String src, boolean frame) {}

    /** What the page's script goes by; times in milliseconds. */
    private record Script(
            String to, String token, List<Used> fires, List<Used> asks, long most, long least, long waits) {}

    public Shown show(Tagger.Plan plan, Visit visit) {
        LinkDirectory.Host host = visit.host();
        Locale reader = PublicLanguages.of(visit.acceptLanguage())
                .orElseGet(() -> Texts.language(host.speech().language()));
        String brand =
                plan.of().name().isEmpty() ? host.businessName() : plan.of().name();
        Asked asked = plan.asks().isEmpty() ? new Asked("", "") : Asked.of(reader, brand, plan.asks());
        TagQuestion question = new TagQuestion(
                visit.target().business(),
                visit.click(),
                visit.target().link(),
                plan.of().brand(),
                visit.visitor(),
                plan.purposes(),
                Stream.concat(plan.asks().stream(), plan.fires().stream())
                        .map(DirectoryTag::id)
                        .toList(),
                reader.getLanguage(),
                (asked.question() + " " + asked.told()).strip(),
                visit.to());
        String logo =
                plan.of().logo().isEmpty() ? host.face().logo() : plan.of().logo();
        return shown(question, plan, new Said(reader, brand, logo, host.face().privacy(), asked));
    }

    /** How the page speaks. */
    private record Said(Locale reader, String brand, String logo, String privacy, Asked asked) {}

    /** After an answer without script: what was agreed to is used, and it goes on. */
    Shown goOn(TagQuestion question, List<DirectoryTag> fires, LinkDirectory.Host host) {
        Tagger.Plan plan = new Tagger.Plan(
                new TagsOfLink(question.brand(), "", "", TagConsent.Asker.LINK_DOMAIN, fires), List.of(), fires, "");
        Locale reader = Locale.forLanguageTag(question.language());
        return shown(
                question,
                plan,
                new Said(reader, host.businessName(), host.face().logo(), "", new Asked("", "")));
    }

    private Shown shown(TagQuestion question, Tagger.Plan plan, Said said) {
        List<DirectoryTag> all =
                Stream.concat(plan.asks().stream(), plan.fires().stream()).toList();
        String token = question.signed(directory.key(question.business()));
        String html = page.filled(values(question, plan, said, token))
                .replace("[images]", images(plan.fires(), question.click()));
        return new Shown(headers(all), html);
    }

    private Map<String, String> values(TagQuestion question, Tagger.Plan plan, Said said, String token) {
        boolean asks = !plan.asks().isEmpty();
        Locale reader = said.reader();
        Map<String, String> values = new HashMap<>();
        values.put("language", reader.getLanguage());
        values.put("business", said.brand());
        values.put("logo", said.logo());
        values.put("to", question.to());
        values.put("seconds", String.valueOf(asks ? WAITS.toSeconds() : 1));
        values.put("plan", script(question, plan, token));
        if (asks) {
            values.put("token", token);
            values.put("question", said.asked().question());
            values.put("either", said.asked().told());
            values.put("yes", Texts.in(reader, "linkhost.tagging.yes"));
            values.put("no", Texts.in(reader, "linkhost.tagging.no"));
            values.put("more", Texts.in(reader, "linkhost.tagging.more"));
            values.put("passed-on", Texts.in(reader, "linkhost.tagging.passed-on"));
            values.put("privacy", said.privacy());
            values.put("privacy-label", Texts.in(reader, "platform.site.open.privacy"));
        } else {
            values.put("onward", question.to());
            values.put("continue", Texts.in(reader, "linkhost.tagging.continue"));
        }
        return values;
    }

    private String script(TagQuestion question, Tagger.Plan plan, String token) {
        return json.writeValueAsString(new Script(
                question.to(),
                token,
                used(plan.fires(), question.click()),
                used(plan.asks(), question.click()),
                MOST.toMillis(),
                LEAST.toMillis(),
                WAITS.toMillis()));
    }

    private static List<Used> used(List<DirectoryTag> tags, ClickId click) {
        return tags.stream()
                .filter(tag -> tag.kind() != TagKind.SERVER)
                .map(tag -> new Used(tag.id().toString(), source(tag, click), tag.kind() == TagKind.SCRIPT))
                .toList();
    }

    static String source(DirectoryTag tag, ClickId click) {
        return tag.kind() == TagKind.SCRIPT
                ? "/t/tags/%s?%s=%s".formatted(tag.id(), ClickId.PARAMETER, click)
                : tag.filled(click);
    }

    /** Pictures need no script. */
    private static String images(List<DirectoryTag> tags, ClickId click) {
        return tags.stream()
                .filter(tag -> tag.kind() == TagKind.IMAGE)
                .map(tag -> "<img alt=\"\" width=\"1\" height=\"1\" hidden data-tag=\"%s\" src=\"%s\">"
                        .formatted(tag.id(), HtmlUtils.htmlEscape(tag.filled(click))))
                .collect(Collectors.joining("\n"));
    }

    private Map<String, String> headers(List<DirectoryTag> tags) {
        String pictures = tags.stream()
                .filter(tag -> tag.kind() == TagKind.IMAGE)
                .map(DirectoryTag::origin)
                .distinct()
                .collect(Collectors.joining(" "));
        return Map.of(
                "Content-Type",
                "text/html;charset=UTF-8",
                "Cache-Control",
                "no-store",
                "X-Content-Type-Options",
                "nosniff",
                "X-Robots-Tag",
                "noindex",
                "Referrer-Policy",
                "strict-origin",
                "Content-Security-Policy",
                "default-src 'none'; style-src '%s'; script-src '%s'; img-src 'self' %s; frame-src 'self'; connect-src 'self'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'"
                        .formatted(hash(style), hash(script), pictures));
    }

    /** Content Security Policy Level 3, 2.3.1. */
    private static String hash(String text) {
        try {
            byte[] digest = MessageDigest.getInstance("SHA-256").digest(text.getBytes(StandardCharsets.UTF_8));
            return "sha256-" + Base64.getEncoder().encodeToString(digest);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Every Java has SHA-256", e);
        }
    }

    /** The question, and what would be told to whom: the words that go on record. */
    private record Asked(String question, String told) {
        static Asked of(Locale reader, String brand, List<DirectoryTag> asks) {
            String desks = asks.stream().map(DirectoryTag::name).distinct().collect(Collectors.joining(", "));
            return new Asked(
                    question(reader, brand, desks, asks), Texts.in(reader, "linkhost.tagging.would-learn", desks));
        }

        private static String question(Locale reader, String brand, String desks, List<DirectoryTag> asks) {
            Set<TagPurpose> purposes = EnumSet.noneOf(TagPurpose.class);
            asks.forEach(tag -> purposes.add(tag.purpose()));
            if (!purposes.contains(TagPurpose.ADVERTISING)) {
                return Texts.in(reader, "linkhost.tagging.may-measure", brand, desks);
            }
            return purposes.contains(TagPurpose.MEASUREMENT)
                    ? Texts.in(reader, "linkhost.tagging.may-both", brand, desks)
                    : Texts.in(reader, "linkhost.tagging.may-advertise", brand, desks);
        }
    }
}
