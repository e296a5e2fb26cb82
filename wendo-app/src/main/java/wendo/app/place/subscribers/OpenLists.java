package wendo.app.place.subscribers;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.servlet.ModelAndView;
import wendo.app.platform.business.BusinessId;
import wendo.app.platform.business.BusinessScope;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.site.CallLimit;
import wendo.app.platform.site.PublicLanguages;
import wendo.app.platform.site.SecretAddress;

/** What the pages have in common on which everybody joins lists, confirms and chooses. */
@Component
class OpenLists {
    private static final int CALLS_PER_MINUTE = 60;

    private final JdbcClient jdbc;
    private final BusinessScope scope;
    private final Businesses businesses;
    private final CallLimit limit = new CallLimit(CALLS_PER_MINUTE);

    OpenLists(JdbcClient jdbc, BusinessScope scope, Businesses businesses) {
        this.jdbc = jdbc;
        this.scope = scope;
        this.businesses = businesses;
    }

    /** The business whose list with a form this is. */
    @Transactional(readOnly = true)
    Optional<BusinessId> businessOfList(UUID list) {
        return business("select door_newsletter_list(?)", list);
    }

    /** The business that somebody asked to be on a list of. */
    @Transactional(readOnly = true)
    Optional<BusinessId> businessOfRequest(UUID request) {
        return business("select door_join_request(?)", request);
    }

    private Optional<BusinessId> business(String sql, UUID id) {
        return jdbc.sql(sql).param(id).query(UUID.class).optional().map(BusinessId::new);
    }

    /** A page in the visitor's language; the same one for what is not there and for who asks too often. */
    ModelAndView page(
            Optional<BusinessId> business,
            HttpServletRequest request,
            HttpServletResponse response,
            Function<BusinessId, ModelAndView> maker) {
        SecretAddress.guard(response);
        return business.filter(one -> limit.allows(request.getRemoteAddr()))
                .map(one -> {
                    scope.within(
                            one,
                            () -> PublicLanguages.speak(businesses.current().locale()));
                    return maker.apply(one);
                })
                .orElseGet(OpenLists::over);
    }

    /** What stands on each of these pages; in the scope of the business. */
    String businessName(BusinessId business) {
        return scope.within(business, () -> businesses.current().name());
    }

    static ModelAndView over() {
        ModelAndView page = new ModelAndView("place/subscribers/open-over");
        page.setStatus(HttpStatus.NOT_FOUND);
        return page;
    }
}
