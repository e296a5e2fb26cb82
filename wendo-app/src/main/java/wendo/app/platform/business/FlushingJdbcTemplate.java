package wendo.app.platform.business;

import jakarta.persistence.EntityManager;
import jakarta.persistence.EntityManagerFactory;
import jakarta.persistence.PersistenceException;
import javax.sql.DataSource;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.orm.jpa.EntityManagerFactoryUtils;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * Statements see what the transaction has changed by Hibernate before: it is written out before each of them. They run
 * on the transaction's own connection.
 */
final class FlushingJdbcTemplate extends JdbcTemplate {
    private final ObjectProvider<EntityManagerFactory> factory;

    private FlushingJdbcTemplate(DataSource dataSource, ObjectProvider<EntityManagerFactory> factory) {
        super(dataSource);
        this.factory = factory;
    }

    /** Each statement asks for it just before it runs. */
    @Override
    protected DataSource obtainDataSource() {
        if (TransactionSynchronizationManager.isActualTransactionActive()
                && !TransactionSynchronizationManager.isCurrentTransactionReadOnly()) {
            EntityManager entities = EntityManagerFactoryUtils.getTransactionalEntityManager(factory.getObject());
            if (entities != null) {
                flush(entities);
            }
        }
        return super.obtainDataSource();
    }

    private static void flush(EntityManager entities) {
        try {
            entities.flush();
        } catch (PersistenceException e) {
            DataAccessException told = EntityManagerFactoryUtils.convertJpaAccessExceptionIfPossible(e);
            throw told == null ? e : told;
        }
    }

    /** Takes the place of the template that Spring Boot would make. */
    @Configuration(proxyBeanMethods = false)
    static class Wiring {
        @Bean
        JdbcTemplate jdbcTemplate(DataSource dataSource, ObjectProvider<EntityManagerFactory> factory) {
            return new FlushingJdbcTemplate(dataSource, factory);
        }
    }
}
