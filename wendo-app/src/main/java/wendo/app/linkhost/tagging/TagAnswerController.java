package wendo.app.linkhost.tagging;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseCookie;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import wendo.app.audience.visitortags.DirectoryTag;
import wendo.app.audience.visitortags.TagAnswer;
import wendo.app.audience.visitortags.TagDirectory;
import wendo.app.audience.visitortags.TagLedger;
import wendo.app.issue.links.LinkDirectory;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.UniqueKey;
import wendo.app.platform.site.CallLimit;
import wendo.app.visit.visits.Automatic;

/** Takes what visitors answer on the page before a link with visitor tags, and what could not be reached from there. */
@Controller
class TagAnswerController {
    private static final String SCRIPT = "X-Wendo"; // sent by the page's own script, which goes on by itself
    private static final int MOST_TAGS = 20;

    private final TagDirectory directory;
    private final TagLedger ledger;
    private final TagPage page;
    private final LinkDirectory hosts;
    private final Automatic automatic;
    private final BusinessScope scope;
    private final CallLimit limit = new CallLimit(60);

    TagAnswerController(
            TagDirectory directory,
            TagLedger ledger,
            TagPage page,
            LinkDirectory hosts,
            Automatic automatic,
            BusinessScope scope) {
        this.directory = directory;
        this.ledger = ledger;
        this.page = page;
        this.hosts = hosts;
        this.automatic = automatic;
        this.scope = scope;
    }

    @PostMapping("/t/consent")
    void answer(
            @RequestParam(defaultValue = "") String t,
            @RequestParam(defaultValue = "") String a,
            HttpServletRequest request,
            HttpServletResponse response)
            throws IOException {
        TagQuestion question = question(t, request);
        LinkDirectory.Host host = hosts.findHost(request.getServerName())
                .filter(one -> one.business().equals(question.business()))
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.BAD_REQUEST));
        TagAnswer.Answer answer = read(a, request);
        if (!automatic.is(request)) {
            boolean unused = keep(question, answer, request.getRequestURL().toString());
            response.addHeader(HttpHeaders.SET_COOKIE, cookie(question, answer, request));
        }
        if (request.getHeader(SCRIPT) != null) {
            response.setStatus(HttpServletResponse.SC_NO_CONTENT);
            return;
        }
        List<DirectoryTag> fires =
                answer == TagAnswer.Answer.YES ? asked(question).toList() : List.of();
        // Not a redirect: the policy lets forms go to this host only, and browsers hold their redirects to it too.
        TagPage.Shown shown = page.goOn(question, fires, host);
        shown.headers().forEach(response::setHeader);
        response.getOutputStream().write(shown.html().getBytes(StandardCharsets.UTF_8));
    }

    private TagQuestion question(String token, HttpServletRequest request) {
        limit.mustAllow(request.getRemoteAddr());
        return TagQuestion.find(token, directory::key)
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.BAD_REQUEST));
    }

    /** A browser that asks for privacy says no, whatever was pressed. */
    private static TagAnswer.Answer read(String text, HttpServletRequest request) {
        if ("1".equals(request.getHeader("Sec-GPC"))) {
            return TagAnswer.Answer.NO;
        }
        return Arrays.stream(TagAnswer.Answer.values())
                .filter(one -> one.key().equals(text))
                .findFirst()
                .orElse(TagAnswer.Answer.NONE);
    }

    /** Pressed twice, it is answered once. */
    private boolean keep(TagQuestion question, TagAnswer.Answer answer, String address) {
        TagAnswer given = new TagAnswer(
                question.click(),
                question.link(),
                question.brand(),
                question.visitor(),
                question.purposes(),
                answer,
                question.words(),
                question.language(),
                address,
                asked(question).map(DirectoryTag::id).toList());
        return !UniqueKey.refuses(() -> scope.within(question.business(), () -> {
            ledger.answered(given);
            return given;
        }));
    }

    /** The tags of the question that need consent and are on still. */
    private Stream<DirectoryTag> asked(TagQuestion question) {
        return question.tags().stream()
                .flatMap(tag -> directory.find(tag).stream())
                .filter(tag -> tag.business().equals(question.business().value()))
                .filter(tag -> question.purposes().contains(tag.purpose()));
    }

    private static String cookie(TagQuestion question, TagAnswer.Answer answer, HttpServletRequest request) {
        String name = BrandAnswer.cookie(question.brand());
        String before = Arrays.stream(Optional.ofNullable(request.getCookies()).orElse(new Cookie[0]))
                .filter(cookie -> cookie.getName().equals(name))
                .map(Cookie::getValue)
                .findFirst()
                .orElse("");
        String value = BrandAnswer.read(before)
                .with(question.purposes(), answer == TagAnswer.Answer.YES)
                .write();
        return ResponseCookie.from(name, value)
                .path("/")
                .httpOnly(true)
                .sameSite("Lax")
                .secure(request.isSecure())
                .maxAge(answer == TagAnswer.Answer.NONE ? BrandAnswer.KEPT_UNANSWERED : BrandAnswer.KEPT)
                .build()
                .toString();
    }

    /** Tags whose desk the visitor's browser could not reach. */
    @PostMapping("/t/tag-failures")
    void failed(
            @RequestParam(defaultValue = "") String t,
            @RequestParam(defaultValue = "") List<UUID> tags,
            HttpServletRequest request,
            HttpServletResponse response) {
        TagQuestion question = question(t, request);
        List<UUID> own = tags.stream()
                .filter(question.tags()::contains)
                .distinct()
                .limit(MOST_TAGS)
                .toList();
        scope.within(question.business(), () -> {
            ledger.failed(own);
            return own;
        });
        response.setStatus(HttpServletResponse.SC_NO_CONTENT);
    }
}
