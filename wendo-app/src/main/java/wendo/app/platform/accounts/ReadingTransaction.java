package wendo.app.platform.accounts;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.Ordered;
import org.springframework.http.HttpMethod;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionStatus;
import org.springframework.transaction.support.DefaultTransactionDefinition;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import wendo.app.platform.business.BusinessScope;

/**
 * One transaction for all that a page of a business reads, instead of one for each question; each would tell the
 * database anew which business it is for. It ends before the page is drawn and sent, so that nobody who reads slowly
 * holds a connection.
 */
final class ReadingTransaction implements HandlerInterceptor {
    private static final String ATTRIBUTE = ReadingTransaction.class.getName();
    private static final Set<String> READING = Set.of(HttpMethod.GET.name(), HttpMethod.HEAD.name());

    private final PlatformTransactionManager transactions;

    ReadingTransaction(PlatformTransactionManager transactions) {
        this.transactions = transactions;
    }

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
        if (READING.contains(request.getMethod())
                && handler instanceof HandlerMethod
                && BusinessScope.find().isPresent()) {
            DefaultTransactionDefinition reading = new DefaultTransactionDefinition();
            reading.setReadOnly(true);
            request.setAttribute(ATTRIBUTE, transactions.getTransaction(reading));
        }
        return true;
    }

    @Override
    public void postHandle(
            HttpServletRequest request,
            HttpServletResponse response,
            Object handler,
            @Nullable ModelAndView modelAndView) {
        end(request);
    }

    @Override
    public void afterCompletion(
            HttpServletRequest request, HttpServletResponse response, Object handler, @Nullable Exception fault) {
        end(request);
    }

    /** Nothing was changed, so nothing has to be committed; a part of it may have been refused, say what is not there. */
    private void end(HttpServletRequest request) {
        if (request.getAttribute(ATTRIBUTE) instanceof TransactionStatus reading) {
            request.removeAttribute(ATTRIBUTE);
            transactions.rollback(reading);
        }
    }

    @Configuration(proxyBeanMethods = false)
    static class Wiring implements WebMvcConfigurer {
        private final ObjectProvider<PlatformTransactionManager> transactions;

        Wiring(ObjectProvider<PlatformTransactionManager> transactions) {
            this.transactions = transactions;
        }

        @Override
        public void addInterceptors(InterceptorRegistry registry) {
            transactions.ifAvailable(manager ->
                    registry.addInterceptor(new ReadingTransaction(manager)).order(Ordered.LOWEST_PRECEDENCE));
        }
    }
}
