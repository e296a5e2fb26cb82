package wendo.app.linkhost.tagging;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.CrossOrigin;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RestController;
import wendo.app.audience.visitortags.DirectoryTag;
import wendo.app.audience.visitortags.TagAnswer;
import wendo.app.audience.visitortags.TagKind;
import wendo.app.audience.visitortags.TagLedger;
import wendo.app.audience.visitortags.TaggedVisits;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.UniqueKey;
import wendo.app.platform.site.PublicLanguages;
import wendo.app.visit.sitetag.TagCalls;
import wendo.app.visit.visits.Automatic;
import wendo.core.audience.TagConsent;
import wendo.core.audience.TagPurpose;
import wendo.core.visits.ClickId;

/**
 * Where a destination's own banner tells what a visitor answered: {@code wendo("consent", …)}. What they agreed to is used
 * from their page then, once for each visit, where their link's brand leaves the asking to it.
 */
@RestController
class SiteConsentCalls {
    private final TagCalls calls;
    private final TaggedVisits visits;
    private final TagLedger ledger;
    private final Automatic automatic;
    private final BusinessScope scope;

    SiteConsentCalls(TagCalls calls, TaggedVisits visits, TagLedger ledger, Automatic automatic, BusinessScope scope) {
        this.calls = calls;
        this.visits = visits;
        this.ledger = ledger;
        this.automatic = automatic;
        this.scope = scope;
    }

    /** @param agreed the purposes that they agreed to, a space between */
    record Body(
            @Nullable String clickId,
            @Nullable String agreed,
            @Nullable String words,
            @Nullable String address) {}

    /** @param frame whether it is a page to put into a sandboxed frame; else a picture */
    record Use(String src, boolean frame) {}

    @CrossOrigin(origins = "*", allowCredentials = "false")
    @PostMapping("/t/tag-consents")
    List<Use> take(HttpServletRequest request) throws IOException {
        List<Use> uses = new ArrayList<>();
        boolean hasSignal = "1".equals(request.getHeader("Sec-GPC"));
        calls.take(request, "consent", Body.class, (business, body) -> {
            if (!hasSignal && !automatic.is(request)) {
                uses.addAll(ClickId.find(orEmpty(body.clickId()))
                        .map(click -> scope.within(business, () -> visits.find(click)).stream()
                                .filter(visit -> visit.tags().asker() == TagConsent.Asker.DESTINATION)
                                .flatMap(visit -> use(new Said(business, click, visit, body, request)).stream())
                                .toList())
                        .orElse(List.of()));
            }
        });
        return uses;
    }

    private record Said(
            BusinessId business, ClickId click, TaggedVisits.Visit visit, Body body, HttpServletRequest request) {
        Set<TagPurpose> agreed() {
            Set<TagPurpose> agreed = EnumSet.noneOf(TagPurpose.class);
            Arrays.stream(orEmpty(body.agreed()).split(" ", -1))
                    .flatMap(one -> TagPurpose.find(one).stream())
                    .forEach(agreed::add);
            return agreed;
        }

        Stream<DirectoryTag> tags(boolean isAgreed) {
            Set<TagPurpose> agreed = agreed();
            return visit.tags().tags().stream()
                    .filter(tag -> tag.purpose().isAsked() && agreed.contains(tag.purpose()) == isAgreed);
        }
    }

    private List<Use> use(Said said) {
        List<DirectoryTag> agreed = said.tags(true).toList();
        List<DirectoryTag> declined = said.tags(false).toList();
        List<Use> uses = new ArrayList<>();
        if (!declined.isEmpty()) {
            boolean unused = keep(said, declined, TagAnswer.Answer.NO);
        }
        if (!agreed.isEmpty() && keep(said, agreed, TagAnswer.Answer.YES)) {
            agreed.stream()
                    .filter(tag -> tag.kind() != TagKind.SERVER)
                    .map(tag -> new Use(TagPage.source(tag, said.click()), tag.kind() == TagKind.SCRIPT))
                    .forEach(uses::add);
        }
        return uses;
    }

    /** False if that was told of this visit before. */
    private boolean keep(Said said, List<DirectoryTag> tags, TagAnswer.Answer answer) {
        Set<TagPurpose> purposes = EnumSet.noneOf(TagPurpose.class);
        tags.forEach(tag -> purposes.add(tag.purpose()));
        TagAnswer given = new TagAnswer(
                said.click(),
                said.visit().link(),
                said.visit().tags().brand(),
                said.visit().visitor(),
                purposes,
                answer,
                words(said.body()),
                PublicLanguages.of(orEmpty(said.request().getHeader("Accept-Language")))
                        .map(Locale::getLanguage)
                        .orElse(""),
                orEmpty(said.body().address()),
                tags.stream().map(DirectoryTag::id).toList());
        return !UniqueKey.refuses(() -> scope.within(said.business(), () -> {
            ledger.answered(given);
            return given;
        }));
    }

    /** A banner that does not tell its words is on record as what it is. */
    private static String words(Body body) {
        String words = orEmpty(body.words());
        return words.isEmpty() ? "(banner of the page)" : words;
    }

    private static String orEmpty(@Nullable String text) {
        return Optional.ofNullable(text).map(String::strip).orElse("");
    }
}
