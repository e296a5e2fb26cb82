package wendo.app.platform.business;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import jakarta.persistence.EntityManager;
import jakarta.persistence.OptimisticLockException;
import jakarta.persistence.metamodel.EntityType;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import java.util.function.Supplier;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.data.jpa.test.autoconfigure.DataJpaTest;
import org.springframework.boot.jdbc.test.autoconfigure.AutoConfigureTestDatabase;
import org.springframework.context.annotation.Import;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.context.ContextConfiguration;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import wendo.app.TealTours;
import wendo.app.TestDatabase;

/** Hibernate alone against PostgreSQL: what holds for the entities of all features. */
@DataJpaTest
@AutoConfigureTestDatabase(replace = AutoConfigureTestDatabase.Replace.NONE)
@ContextConfiguration(initializers = TestDatabase.class)
@Import({
    BusinessScope.class,
    TenantIdentifier.class,
    BusinessTransactions.Wiring.class,
    FlushingJdbcTemplate.Wiring.class
})
@Transactional(propagation = Propagation.NOT_SUPPORTED)
class EntitiesTest {
    private static final String CAMPAIGN = """
            insert into campaign (id, business_id, name, tag, note, created_at) values (?, ?, 'Spring', 'spring', '', now())
            """;

    @Autowired
    private EntityManager entities;

    @Autowired
    private BusinessScope scope;

    @Autowired
    private JdbcClient jdbc;

    private final BusinessId ours = new BusinessId(UUID.randomUUID());
    private final BusinessId theirs = new BusinessId(UUID.randomUUID());

    @BeforeEach
    void two_businesses() {
        for (BusinessId one : List.of(ours, theirs)) {
            as(
                    one,
                    () -> jdbc.sql("""
                            insert into business (id, name, currency, zone, locale, site_key, created_at)
                            values (?, 'Teal Tours', 'GBP', 'Europe/London', 'en-GB', ?, now())
                            """)
                            .params(one.value(), one.value().toString().substring(0, 20))
                            .update());
        }
    }

    private <T> T as(BusinessId business, Supplier<T> work) {
        return scope.within(business, work);
    }

    private static Class<?> entity(EntityManager entities, String name) {
        return entities.getMetamodel().getEntities().stream()
                .filter(one -> one.getName().equals(name))
                .findFirst()
                .orElseThrow()
                .getJavaType();
    }

    /** What belongs to a person or to the installation, and is locked when it is used. */
    private static final List<String> OF_PEOPLE =
            List.of("AccountToken", "RecoveryCode", "Passkey", "SignIn", "InstallationClaim");

    @Test
    void whatever_people_edit_has_its_business_and_counts_its_changes() {
        assertThat(entities.getMetamodel().getEntities()).hasSizeGreaterThan(50).allSatisfy(entity -> {
            boolean isOfPerson = OF_PEOPLE.contains(entity.getName());
            boolean isOfNoBusiness =
                    isOfPerson || List.of("Person", "BusinessAccount").contains(entity.getName());
            assertThat(has(entity, "businessId")).as(entity.getName()).isNotEqualTo(isOfNoBusiness);
            boolean neverChanges = entity.getJavaType().isAnnotationPresent(org.hibernate.annotations.Immutable.class)
                    || BusinessLogRow.class.isAssignableFrom(entity.getJavaType());
            assertThat(entity.hasVersionAttribute()).as(entity.getName()).isNotEqualTo(neverChanges || isOfPerson);
        });
    }

    private static boolean has(EntityType<?> entity, String attribute) {
        return entity.getAttributes().stream().anyMatch(one -> one.getName().equals(attribute));
    }

    @Test
    void the_business_in_scope_is_filled_in_and_another_one_finds_nothing() {
        as(
                ours,
                () -> jdbc.sql(CAMPAIGN).params(UUID.randomUUID(), ours.value()).update());
        Class<?> campaign = entity(entities, "Campaign");
        UUID id = as(
                ours,
                () -> jdbc.sql("select id from campaign").query(UUID.class).single());
        assertThat(as(ours, () -> entities.find(campaign, id))).isNotNull();
        assertThat(as(theirs, () -> entities.find(campaign, id))).isNull();
        assertThat(as(
                        theirs,
                        () -> entities.createQuery("select c from Campaign c", campaign)
                                .getResultList()))
                .isEmpty();
    }

    @Test
    void a_statement_sees_what_hibernate_has_not_written_yet() {
        BusinessId fresh = new BusinessId(UUID.randomUUID());
        String read = as(fresh, () -> {
            entities.persist(new BusinessAccount(
                    TealTours.of(fresh, "Unwritten", fresh.value().toString().substring(0, 20)), Instant.EPOCH));
            return jdbc.sql("select name from business").query(String.class).single();
        });
        assertThat(read).isEqualTo("Unwritten");
    }

    @Test
    void a_statement_that_raises_the_version_makes_an_older_copy_stale() {
        UUID id = UUID.randomUUID();
        as(ours, () -> jdbc.sql(CAMPAIGN).params(id, ours.value()).update());
        Class<?> campaign = entity(entities, "Campaign");
        assertThatThrownBy(() -> as(ours, () -> {
                    BusinessEntity stale = (BusinessEntity) entities.find(campaign, id);
                    jdbc.sql("update campaign set version = version + 1").update();
                    entities.lock(stale, jakarta.persistence.LockModeType.OPTIMISTIC_FORCE_INCREMENT);
                    entities.flush();
                    return true;
                }))
                .satisfiesAnyOf(
                        fault -> assertThat(fault).isInstanceOf(OptimisticLockException.class),
                        fault -> assertThat(fault)
                                .isInstanceOf(org.springframework.orm.ObjectOptimisticLockingFailureException.class));
    }
}
