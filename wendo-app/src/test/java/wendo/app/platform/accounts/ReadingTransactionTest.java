package wendo.app.platform.accounts;

import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.argThat;
import static org.mockito.Mockito.inOrder;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.mockito.InOrder;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.TransactionStatus;
import org.springframework.web.method.HandlerMethod;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;

class ReadingTransactionTest {
    private static final BusinessId BUSINESS = new BusinessId(UUID.fromString("00000000-0000-0001-0000-000000000001"));

    private final PlatformTransactionManager transactions = mock();
    private final TransactionStatus status = mock();
    private final HandlerMethod handler = mock();
    private final MockHttpServletResponse response = new MockHttpServletResponse();
    private final ReadingTransaction reading = new ReadingTransaction(transactions);

    private void open(MockHttpServletRequest request) throws Exception {
        when(transactions.getTransaction(any())).thenReturn(status);
        BusinessScope.as(BUSINESS, () -> reading.preHandle(request, response, handler));
    }

    @ParameterizedTest
    @ValueSource(strings = {"GET", "HEAD"})
    void a_page_of_a_business_reads_in_one_transaction_that_is_over_before_it_is_drawn(String method) throws Exception {
        MockHttpServletRequest request = new MockHttpServletRequest(method, "/today");
        open(request);
        InOrder order = inOrder(transactions);
        order.verify(transactions).getTransaction(argThat(TransactionDefinition::isReadOnly));
        reading.postHandle(request, response, handler, null);
        order.verify(transactions).rollback(status);
        reading.afterCompletion(request, response, handler, null);
        verify(transactions, times(1)).rollback(any());
    }

    @Test
    void it_ends_as_well_where_the_page_fails() throws Exception {
        MockHttpServletRequest request = new MockHttpServletRequest("GET", "/today");
        open(request);
        reading.afterCompletion(request, response, handler, new IllegalStateException("no page"));
        verify(transactions).rollback(status);
    }

    @Test
    void what_changes_something_has_transactions_of_its_own() throws Exception {
        MockHttpServletRequest request = new MockHttpServletRequest("POST", "/spend");
        open(request);
        reading.postHandle(request, response, handler, null);
        verify(transactions, never()).getTransaction(any());
        verify(transactions, never()).rollback(any());
    }

    @Test
    void what_is_no_page_of_a_business_has_none() {
        MockHttpServletRequest request = new MockHttpServletRequest("GET", "/sign-in");
        reading.preHandle(request, response, handler);
        verify(transactions, never()).getTransaction(any());
    }
}
