package wendo.app.visit.sitetag;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.net.URI;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.web.util.HtmlUtils;
import tools.jackson.databind.json.JsonMapper;
import wendo.app.issue.links.LinkHosts;
import wendo.app.platform.accounts.ContentPolicy;
import wendo.app.platform.business.BusinessScope;
import wendo.core.links.HostName;

/** Forms and signposts that a business puts into pages of its own sites: how, and who else may frame them (nobody). */
@Component
public class Embedding {
    /** The parameter, and its value, by which a page is asked for as a part of another. */
    private static final String ASKED_FOR = "in";

    private static final String PART = "page";
    private static final String PAGE = "page";
    private final OwnSites sites;
    private final LinkHosts hosts;
    private final TagCallLog log;
    private final JsonMapper json;

    Embedding(OwnSites sites, LinkHosts hosts, TagCallLog log, JsonMapper json) {
        this.sites = sites;
        this.hosts = hosts;
        this.log = log;
        this.json = json;
    }

    /** What is put into pages. */
    public enum Kind {
        FORM("form", "/t/forms/"),
        SIGNPOST("signpost", "/t/signposts/"),
        LIST("list", "/t/lists/");

        private final String key;
        private final String path;

        Kind(String key, String path) {
            this.key = key;
            this.path = path;
        }
    }

    /**
     * The markup for a page of the business's own.
     *
     * @param button a button that opens it; what stands on it is a placeholder
     * @param frame the same without script, of a fixed height
     * @param origin what a site with a strict policy has to allow
     * @param hasSites false as long as no site is known that may show it
     */
    public record Markup(String script, String button, String frame, String origin, boolean hasSites) {}

    /** @param label what stands on a button or names the frame */
    public Markup markup(Kind kind, UUID id, String label) {
        String origin = hosts.defaultHost().origin();
        String named = HtmlUtils.htmlEscape(label);
        String script = "<script src=\"%s/t/embed.js\" data-%s=\"%s\"".formatted(origin, kind.key, id);
        return new Markup(
                script + " async></script>",
                script + " data-button=\"%s\" async></script>".formatted(named),
                "<iframe src=\"%s%s%s?in=page\" title=\"%s\" width=\"100%%\" height=\"720\"></iframe>"
                        .formatted(origin, kind.path, id, named),
                origin,
                !sites.list().isEmpty());
    }

    public static boolean isPart(HttpServletRequest request) {
        return PART.equals(request.getParameter(ASKED_FOR));
    }

    /** Lets the business's own sites, and nobody else, show the page within theirs. In the scope of the business. */
    public void allow(HttpServletRequest request, HttpServletResponse response) {
        if (isPart(request)) {
            List<String> own = sites.list();
            response.setHeader(
                    "Content-Security-Policy",
                    ContentPolicy.framedBy(own.stream().map(Embedding::source).collect(Collectors.joining())));
        }
    }

    /** A site of one's own machine or network has any port (CSP 3, host-source). */
    private static String source(String host) {
        return HostName.isLocal(host) ? " http://" + host + ":*" : " https://" + host;
    }

    /** The page of an own site that shows this one; empty if none is named, or one of somebody else's. */
    public Optional<String> pageAround(HttpServletRequest request) {
        String named = request.getParameter(PAGE);
        if (!isPart(request) || named == null || named.length() > TagCallLog.MAX_PAGE) {
            return Optional.empty();
        }
        try {
            String host = URI.create(named).getHost();
            return host != null && sites.isOwn(host.toLowerCase(Locale.ROOT)) ? Optional.of(named) : Optional.empty();
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    /** Lists that a page shows it, among the calls of the site tag. */
    public void list(HttpServletRequest request, String title) {
        pageAround(request)
                .ifPresent(page -> log.keep(
                        BusinessScope.current(),
                        new TagCallLog.Heard(
                                request, "embedded", json.valueToTree(Map.of("title", title, "page", page))),
                        ""));
    }
}
