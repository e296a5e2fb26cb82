package wendo.app.platform.activity;

import jakarta.annotation.PostConstruct;
import jakarta.persistence.EntityManagerFactory;
import java.time.Clock;
import java.util.Arrays;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.hibernate.StatelessSession;
import org.hibernate.engine.spi.SessionFactoryImplementor;
import org.hibernate.engine.spi.SharedSessionContractImplementor;
import org.hibernate.event.spi.EventType;
import org.hibernate.event.spi.PostDeleteEvent;
import org.hibernate.event.spi.PostDeleteEventListener;
import org.hibernate.event.spi.PostInsertEvent;
import org.hibernate.event.spi.PostInsertEventListener;
import org.hibernate.event.spi.PostUpdateEvent;
import org.hibernate.event.spi.PostUpdateEventListener;
import org.hibernate.persister.entity.EntityPersister;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import wendo.app.platform.accounts.Actor;
import wendo.app.platform.business.BusinessScope;

/**
 * Sees what Hibernate writes, and puts on record what people change: in the same transaction, so that neither is there
 * without the other. What jobs write is nobody's deed.
 */
@Component
class EntityWatch implements PostInsertEventListener, PostUpdateEventListener, PostDeleteEventListener {
    private static final long serialVersionUID = 1L;
    private static final int MAX_VALUE = 200;
    private static final String ACCOUNT = "iban";
    private static final int END_OF_ACCOUNT = 4;

    private final transient EntityManagerFactory factory;
    private final transient Clock clock;

    EntityWatch(EntityManagerFactory factory, Clock clock) {
        this.factory = factory;
        this.clock = clock;
    }

    @PostConstruct
    void watch() {
        var listeners = factory.unwrap(SessionFactoryImplementor.class).getEventListenerRegistry();
        listeners.appendListeners(EventType.POST_INSERT, this);
        listeners.appendListeners(EventType.POST_UPDATE, this);
        listeners.appendListeners(EventType.POST_DELETE, this);
    }

    @Override
    public void onPostInsert(PostInsertEvent event) {
        note("added", new Row(event.getPersister(), event.getId(), event.getState()), "", event.getSession());
    }

    @Override
    public void onPostUpdate(PostUpdateEvent event) {
        Optional<TrackedKind> kind =
                TrackedKind.find(event.getPersister().getMappedClass().getSimpleName());
        String changes = kind.map(one -> changes(one, event)).orElse("");
        if (!changes.isEmpty()) {
            note(
                    "changed",
                    new Row(event.getPersister(), event.getId(), event.getState()),
                    changes,
                    event.getSession());
        }
    }

    @Override
    public void onPostDelete(PostDeleteEvent event) {
        note("removed", new Row(event.getPersister(), event.getId(), event.getDeletedState()), "", event.getSession());
    }

    private static String changes(TrackedKind kind, PostUpdateEvent event) {
        String[] names = event.getPersister().getPropertyNames();
        int[] dirty = event.getDirtyProperties();
        Object[] before = event.getOldState();
        if (dirty == null || before == null) {
            return "";
        }
        return Arrays.stream(dirty)
                .filter(at -> kind.tells(names[at]))
                .mapToObj(at ->
                        names[at] + "\t" + told(names[at], before[at]) + "\t" + told(names[at], event.getState()[at]))
                .collect(Collectors.joining("\n"));
    }

    private record Row(EntityPersister persister, Object id, Object[] state) {}

    private void note(String did, Row row, String changes, SharedSessionContractImplementor session) {
        Optional<Actor> actor = Actor.current();
        Optional<TrackedKind> kind =
                TrackedKind.find(row.persister().getMappedClass().getSimpleName());
        if (actor.isEmpty() || kind.isEmpty() || BusinessScope.find().isEmpty()) {
            return;
        }
        Activity.Deed deed = new Activity.Deed(
                did,
                kind.get(),
                Optional.of(row.id()).filter(UUID.class::isInstance).map(UUID.class::cast),
                named(kind.get(), row.persister(), row.state()),
                changes);
        Activity activity = new Activity(actor.get(), deed, clock.instant());
        session.getTransactionCompletionCallbacks()
                .registerCallback((SharedSessionContractImplementor ending) -> write(activity, ending));
    }

    /** On the transaction's own connection, with a session of its own, for the first one is being emptied. */
    private void write(Activity activity, SharedSessionContractImplementor ending) {
        ending.doReturningWork(connection -> {
            try (StatelessSession own = factory.unwrap(SessionFactoryImplementor.class)
                    .withStatelessOptions()
                    .tenantIdentifier((Object) BusinessScope.current().value())
                    .connection(connection)
                    .openStatelessSession()) {
                return own.insert(activity);
            }
        });
    }

    private static String named(TrackedKind kind, EntityPersister persister, Object[] state) {
        int at = Arrays.asList(persister.getPropertyNames()).indexOf(kind.named());
        return at < 0 ? "" : text(state[at]);
    }

    /** Of an account enough to tell it from another, and not more. */
    private static String told(String property, @Nullable Object value) {
        String text = text(value);
        return property.equals(ACCOUNT) && text.length() > END_OF_ACCOUNT
                ? "…" + text.substring(text.length() - END_OF_ACCOUNT)
                : text;
    }

    /** What cannot be read, such as an identifier, is left out. */
    private static String text(@Nullable Object value) {
        if (value == null || value instanceof UUID) {
            return "";
        }
        String text = value instanceof Object[] many
                ? Arrays.stream(many).map(String::valueOf).collect(Collectors.joining(", "))
                : String.valueOf(value);
        String plain = text.replaceAll("[\\t\\r\\n]+", " ");
        return plain.length() <= MAX_VALUE ? plain : plain.substring(0, MAX_VALUE) + "…";
    }
}
