package wendo.app.prepare.destinations;

import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.EditedVersion;
import wendo.app.platform.site.Limits;
import wendo.app.platform.site.Texts;
import wendo.core.links.AddressRefused;
import wendo.core.links.HostName;
import wendo.core.links.Tagging;
import wendo.core.links.WebAddress;
import wendo.core.text.Sentence;
import wendo.core.visits.ClickId;

/** The destinations of the current business. */
@Service
public class Destinations {
    /** Pages on the link hosts themselves that are no links. */
    public static final String SIGNPOSTS = "/t/signposts/";

    static final int MAX_NAME = Limits.NAME;
    static final int MAX_NOTE = Limits.NOTE;

    private final DestinationRepository repository;
    private final EntityManager entities;
    private final ApplicationEventPublisher events;
    private final Clock clock;

    Destinations(
            DestinationRepository repository, EntityManager entities, ApplicationEventPublisher events, Clock clock) {
        this.repository = repository;
        this.entities = entities;
        this.events = events;
        this.clock = clock;
    }

    /**
     * The address that links may lead to. Throws {@link AddressRefused} with a reason for the person who pasted it.
     *
     * @param linkHosts names of the business's own link hosts: a link that leads to a link would count twice
     */
    public static WebAddress check(String pasted, Business business, Set<String> linkHosts) {
        // A click identifier pasted along belongs to one visit; each visit gets its own.
        WebAddress address = Tagging.drop(WebAddress.of(pasted), ClickId.PARAMETER);
        if (linkHosts.contains(address.host()) && !address.path().startsWith(SIGNPOSTS)) {
            throw new AddressRefused(Sentence.said(Texts.of("prepare.destinations.this-is-itself-one-of")));
        }
        if (!business.allowsLocalDestinations() && HostName.isLocal(address.host())) {
            throw new AddressRefused(
                    Sentence.said(Texts.of("prepare.destinations.only-your-own-network-can", address.host())));
        }
        return address;
    }

    /** Those in use, newest first. */
    @Transactional(readOnly = true)
    public List<DestinationListed> list() {
        return repository.findAllByOrderByCreatedAtDesc().stream()
                .map(Destination::listed)
                .filter(listed -> listed.archivedAt().isEmpty())
                .toList();
    }

    @Transactional(readOnly = true)
    public Optional<DestinationListed> find(UUID id) {
        return repository.findById(id).map(Destination::listed);
    }

    @Transactional(readOnly = true)
    public Optional<DestinationListed> find(WebAddress address) {
        return repository.findByAddress(address.toString()).map(Destination::listed);
    }

    @Transactional
    public DestinationListed findOrCreate(WebAddress address) {
        return repository
                .findByAddress(address.toString())
                .map(known -> {
                    known.restore();
                    return known;
                })
                .orElseGet(() -> create(address))
                .listed();
    }

    private Destination create(WebAddress address) {
        Destination destination = new Destination(address, clock.instant());
        entities.persist(destination);
        entities.flush();
        return destination;
    }

    @Transactional
    void describe(UUID id, EditedVersion edited, String name, String note) {
        Destination destination = repository.findById(id).orElseThrow();
        destination.mustStillBe(edited);
        destination.describe(name.strip(), note.strip());
    }

    @Transactional(readOnly = true)
    int version(UUID id) {
        return repository.findById(id).map(Destination::version).orElse(0);
    }

    /** Sends everything that leads here to another address. One that another destination has is refused by its unique key. */
    @Transactional
    void move(UUID id, WebAddress address, String movedBy, String reason) {
        repository.findById(id).orElseThrow().moveTo(address);
        entities.flush();
        events.publishEvent(new DestinationMoved(id, address.toString(), movedBy, reason));
    }

    @Transactional
    void archive(UUID id, boolean away) {
        Destination destination = repository.findById(id).orElseThrow();
        if (away) {
            destination.archive(clock.instant());
        } else {
            destination.restore();
        }
    }

    @Transactional
    void keep(WebAddress address, Look look) {
        repository.findByAddress(address.toString()).ifPresent(destination -> {
            destination.looked(look, clock.instant());
            if (look.isWell()) {
                events.publishEvent(new DestinationRead(destination.id(), look.card()));
            }
        });
    }
}
