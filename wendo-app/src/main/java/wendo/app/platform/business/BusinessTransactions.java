package wendo.app.platform.business;

import jakarta.persistence.EntityManagerFactory;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import javax.sql.DataSource;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.datasource.ConnectionHolder;
import org.springframework.orm.jpa.JpaTransactionManager;
import org.springframework.transaction.CannotCreateTransactionException;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * Tells PostgreSQL at the start of each transaction which business it is for; row-level security does the rest. A
 * transaction without a business sees no business's rows. Tells it as well how to plan.
 */
final class BusinessTransactions extends JpaTransactionManager {
    private static final long serialVersionUID = 1L;
    private static final String ANNOUNCE =
            "select set_config('wendo.business', ?, true), set_config('plan_cache_mode', ?, true)";

    /** Planned anew for what is asked, for a day and a season want different plans. */
    private static final String READING = "force_custom_plan";

    /** Planned once for all where that is no worse; such statements are short and many. */
    private static final String CHANGING = "auto";

    private final transient DataSource dataSource;

    private BusinessTransactions(EntityManagerFactory factory, DataSource dataSource) {
        super(factory);
        this.dataSource = dataSource;
        setDataSource(dataSource);
        setValidateExistingTransaction(true);
    }

    @Override
    protected void doBegin(Object transaction, TransactionDefinition definition) {
        super.doBegin(transaction, definition);
        BusinessScope.find().ifPresent(business -> announce(business, definition.isReadOnly() ? READING : CHANGING));
    }

    private void announce(BusinessId business, String planned) {
        ConnectionHolder holder = (ConnectionHolder) TransactionSynchronizationManager.getResource(dataSource);
        if (holder == null) {
            throw new CannotCreateTransactionException("The transaction has no connection to announce its business on");
        }
        try (PreparedStatement statement = holder.getConnection().prepareStatement(ANNOUNCE)) {
            statement.setString(1, business.value().toString());
            statement.setString(2, planned);
            statement.execute();
        } catch (SQLException e) {
            throw new CannotCreateTransactionException("The business of the transaction could not be set", e);
        }
    }

    /** Takes the place of the manager that Spring Boot would make. */
    @Configuration(proxyBeanMethods = false)
    static class Wiring {
        @Bean
        JpaTransactionManager transactionManager(EntityManagerFactory factory, DataSource dataSource) {
            return new BusinessTransactions(factory, dataSource);
        }
    }
}
