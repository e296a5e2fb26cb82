package wendo.app.platform.business;

import java.util.Optional;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.TransactionTemplate;

/** The business that this thread works for. Each transaction that begins while it is set sees that business's rows only. */
@Component
public class BusinessScope {
    private static final ThreadLocal<@Nullable BusinessId> CURRENT = new ThreadLocal<>();

    private final TransactionTemplate transactions;

    BusinessScope(PlatformTransactionManager transactionManager) {
        this.transactions = new TransactionTemplate(transactionManager);
        this.transactions.setPropagationBehavior(TransactionDefinition.PROPAGATION_REQUIRES_NEW);
    }

    public static Optional<BusinessId> find() {
        return Optional.ofNullable(CURRENT.get());
    }

    public static BusinessId current() {
        return find().orElseThrow(() -> new IllegalStateException("No business is set for this thread"));
    }

    /** Runs a request or a job as a business, without a transaction of its own. */
    public static <T> T as(BusinessId business, Work<T> work) throws Exception {
        BusinessId before = CURRENT.get();
        CURRENT.set(business);
        try {
            return work.run();
        } finally {
            restore(before);
        }
    }

    /** Runs in a new transaction of that business. */
    public <T> T within(BusinessId business, Supplier<T> work) {
        BusinessId before = CURRENT.get();
        CURRENT.set(business);
        try {
            return transactions.<T>execute(status -> work.get());
        } finally {
            restore(before);
        }
    }

    private static void restore(@Nullable BusinessId before) {
        if (before == null) {
            CURRENT.remove();
        } else {
            CURRENT.set(before);
        }
    }

    /** What is run as a business. */
    @FunctionalInterface
    public interface Work<T> {
        T run() throws Exception;
    }
}
