package wendo.app.platform.sending;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.consent.Withdrawal;
import wendo.app.platform.site.ApiErrors;
import wendo.app.platform.site.CallLimit;
import wendo.app.platform.site.Installation;
import wendo.app.platform.site.PublicLanguages;
import wendo.app.platform.site.Texts;
import wendo.app.platform.site.ViewRecord;

/** What comes back: the gateway's news of a message, a reader who wants no more, and whoever fetches a clip. */
@Controller
class MessageNews {
    /** A reply that is one of these alone ends all messages. Common practice of carriers. */
    private static final Set<String> STOP_WORDS = Set.of("STOP", "STOPALL", "UNSUBSCRIBE", "CANCEL", "END", "QUIT");

    private static final UUID NO_MESSAGE = new UUID(0, 0);

    private final OutgoingRepository repository;
    private final AnswerRepository answers;
    private final Outbox outbox;
    private final List<ChoicesPage> choices;
    private final Clips clips;
    private final BusinessScope scope;
    private final Businesses businesses;
    private final ApplicationEventPublisher events;
    private final Clock clock;
    private final String key;
    private final CallLimit limit = new CallLimit(60);

    MessageNews(
            OutgoingRepository repository,
            AnswerRepository answers,
            Outbox outbox,
            List<ChoicesPage> choices,
            Clips clips,
            BusinessScope scope,
            Businesses businesses,
            ApplicationEventPublisher events,
            Clock clock,
            Installation installation) {
        this.repository = repository;
        this.answers = answers;
        this.outbox = outbox;
        this.choices = List.copyOf(choices);
        this.clips = clips;
        this.scope = scope;
        this.businesses = businesses;
        this.events = events;
        this.clock = clock;
        this.key = installation.texts().key();
    }

    /** @param event delivered, failed, replied or opted-out */
    record News(
            @Nullable UUID id,
            @Nullable String event,
            @Nullable String text) {}

    /** @param choices where one chooses instead what one gets; empty text if nowhere */
    record StopPage(String business, boolean isDone, String choices) {}

    /** The gateway tells, with the key that it is called with. */
    @PostMapping("/t/messages/news")
    ResponseEntity<Void> news(
            @RequestBody News news,
            @RequestHeader(name = "Authorization", defaultValue = "") String authorization,
            HttpServletRequest request) {
        limit.mustAllow("news " + request.getRemoteAddr());
        byte[] wanted = ("Bearer " + key).getBytes(StandardCharsets.UTF_8);
        if (key.isEmpty() || !MessageDigest.isEqual(wanted, authorization.getBytes(StandardCharsets.UTF_8))) {
            throw new ApiErrors(HttpStatus.UNAUTHORIZED, "Send the gateway's key as a bearer token.", List.of());
        }
        UUID id = news.id() == null ? NO_MESSAGE : news.id();
        BusinessId business = outbox.businessOf(id)
                .orElseThrow(() -> new ApiErrors(HttpStatus.NOT_FOUND, "No message has this id.", List.of()));
        scope.within(business, () -> heed(business, id, news));
        return ResponseEntity.noContent().build();
    }

    private boolean heed(BusinessId business, UUID id, News news) {
        OutgoingMessage about = repository.lock(id);
        switch (news.event() == null ? "" : news.event()) {
            case "delivered" -> {
                if (about.isGivenAway()) {
                    about.deliver(Texts.kept("platform.sending.it-was-delivered"));
                }
            }
            case "failed" -> {
                if (about.isGivenAway()) {
                    about.comeBack(Texts.kept("platform.sending.the-gateway-could-not-deliver"));
                }
            }
            case "replied" -> {
                String text = news.text() == null ? "" : news.text();
                answers.save(new ReceivedAnswer(about, text, clock.instant()));
                if (STOP_WORDS.contains(text.strip().toUpperCase(Locale.ROOT))) {
                    return optOut(business, about, Withdrawal.REPLY);
                }
                about.lead().ifPresent(lead -> events.publishEvent(new MessageAnswered(business, lead, false)));
            }
            case "opted-out" -> optOut(business, about, Withdrawal.REPLY);
            default ->
                throw new ApiErrors(
                        HttpStatus.UNPROCESSABLE_CONTENT,
                        "An event is delivered, failed, replied or opted-out.",
                        List.of());
        }
        return true;
    }

    private boolean optOut(BusinessId business, OutgoingMessage about, Withdrawal how) {
        outbox.optOut(about.recipient(), how);
        about.lead().ifPresent(lead -> events.publishEvent(new MessageAnswered(business, lead, true)));
        return true;
    }

    /** Asks first: scanners open every address. */
    @GetMapping("/t/stop/{id}")
    ModelAndView ask(@PathVariable UUID id, HttpServletResponse response) {
        return stopPage(id, false, response);
    }

    @PostMapping("/t/stop/{id}")
    ModelAndView stop(@PathVariable UUID id, HttpServletRequest request, HttpServletResponse response) {
        limit.mustAllow(request.getRemoteAddr());
        outbox.businessOf(id)
                .ifPresent(business ->
                        scope.within(business, () -> optOut(business, repository.lock(id), Withdrawal.STOP_PAGE)));
        return stopPage(id, true, response);
    }

    private ModelAndView stopPage(UUID id, boolean isDone, HttpServletResponse response) {
        response.setHeader("Cache-Control", "no-store");
        Optional<StopPage> shown = outbox.businessOf(id)
                .map(business -> scope.within(business, () -> {
                    PublicLanguages.speak(businesses.current().locale());
                    return new StopPage(businesses.current().name(), isDone, choices(id));
                }));
        ModelAndView page = ViewRecord.of("platform/sending/open-stop", shown.orElse(new StopPage("", isDone, "")));
        page.setStatus(shown.isPresent() ? HttpStatus.OK : HttpStatus.NOT_FOUND);
        return page;
    }

    private String choices(UUID id) {
        return choices.stream()
                .flatMap(page -> outbox.recipientOf(id).flatMap(recipient -> page.of(id, recipient)).stream())
                .findFirst()
                .orElse("");
    }

    @GetMapping("/t/clips/{id}")
    ResponseEntity<byte[]> clip(@PathVariable UUID id) {
        Optional<Clips.Clip> clip =
                clips.businessOf(id).flatMap(business -> scope.within(business, () -> clips.find(id)));
        return clip.map(one -> ResponseEntity.ok()
                        .contentType(MediaType.parseMediaType(one.type()))
                        .cacheControl(CacheControl.maxAge(Duration.ofDays(30)).cachePrivate())
                        .body(one.content()))
                .orElseGet(() -> ResponseEntity.notFound().build());
    }
}
