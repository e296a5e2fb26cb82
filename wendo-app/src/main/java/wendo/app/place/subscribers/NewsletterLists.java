package wendo.app.place.subscribers;

import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.EditedVersion;

/** The lists of the current business that people can join. */
@Service
public class NewsletterLists {
    private final NewsletterListRepository repository;
    private final Clock clock;

    NewsletterLists(NewsletterListRepository repository, Clock clock) {
        this.repository = repository;
        this.clock = clock;
    }

    /**
     * A list as others see it.
     *
     * @param promise what people are told that they get
     * @param confirms whether they confirm by a mail (double opt-in)
     * @param confirmWithin so long that mail's link works
     * @param labels whoever joins gets them
     * @param hasForm whether its sign-up form is open to everybody
     * @param onward where that form leads then; empty text for nowhere
     */
    public record Listed(
            UUID id,
            String name,
            String promise,
            boolean confirms,
            Duration confirmWithin,
            List<String> labels,
            boolean hasForm,
            String onward) {}

    @Transactional(readOnly = true)
    public List<Listed> list() {
        return repository.findOpen().stream().map(NewsletterList::listed).toList();
    }

    @Transactional(readOnly = true)
    public Optional<Listed> find(UUID id) {
        return repository.findOpen(id).map(NewsletterList::listed);
    }

    /** As it would be typed. */
    @Transactional(readOnly = true)
    Optional<ListForm> form(UUID id) {
        return repository.findOpen(id).map(NewsletterList::form);
    }

    @Transactional(readOnly = true)
    int version(UUID id) {
        return repository.findOpen(id).map(NewsletterList::version).orElse(0);
    }

    /** Refused by a unique key if another one has this name. */
    @Transactional
    UUID add(ListForm form, String by) {
        return repository
                .saveAndFlush(new NewsletterList(form, by, clock.instant()))
                .id();
    }

    /** The first one of a business that has none. Refused by a unique key if somebody else was faster. */
    @Transactional
    public UUID addFirst(String name, String promise, String by) {
        return add(ListForm.first(name, promise), by);
    }

    /** Refused by a unique key if another one has this name. */
    @Transactional
    void change(UUID id, EditedVersion edited, ListForm form) {
        NewsletterList list = repository.findOpen(id).orElseThrow();
        list.mustStillBe(edited);
        list.become(form);
        repository.saveAndFlush(list);
    }

    /** Nobody can join it any more; who did stays a subscriber. */
    @Transactional
    void archive(UUID id) {
        repository.findOpen(id).ifPresent(list -> list.archive(clock.instant()));
    }
}
