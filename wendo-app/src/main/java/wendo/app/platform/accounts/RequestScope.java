package wendo.app.platform.accounts;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;

/** Runs the rest of a request as a business. */
final class RequestScope {
    private RequestScope() {}

    static void run(BusinessId business, HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        try {
            BusinessScope.as(business, () -> {
                chain.doFilter(request, response);
                return true;
            });
        } catch (ServletException | IOException | RuntimeException e) {
            throw e;
        } catch (Exception e) {
            throw new ServletException(e);
        }
    }
}
