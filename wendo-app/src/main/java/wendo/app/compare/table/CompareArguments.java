package wendo.app.compare.table;

import java.time.Clock;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Lazy;
import org.springframework.core.MethodParameter;
import org.springframework.web.bind.support.WebDataBinderFactory;
import org.springframework.web.context.request.NativeWebRequest;
import org.springframework.web.method.support.HandlerMethodArgumentResolver;
import org.springframework.web.method.support.ModelAndViewContainer;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import wendo.app.compare.sql.CompareChoice;
import wendo.app.platform.business.Business;
import wendo.app.platform.business.Businesses;
import wendo.app.platform.site.PeriodChoice;

/** Gives controllers what the address says a comparison looks at. */
@Configuration(proxyBeanMethods = false)
class CompareArguments implements WebMvcConfigurer, HandlerMethodArgumentResolver {
    private final Businesses businesses;
    private final Clock clock;

    CompareArguments(@Lazy Businesses businesses, Clock clock) { // the database is asked with the first page
        this.businesses = businesses;
        this.clock = clock;
    }

    @Override
    public void addArgumentResolvers(List<HandlerMethodArgumentResolver> resolvers) {
        resolvers.add(this);
    }

    @Override
    public boolean supportsParameter(MethodParameter parameter) {
        Class<?> type = parameter.getParameterType();
        return type == CompareChoice.class || type == CompareContext.class;
    }

    @Override
    public Object resolveArgument(
            MethodParameter parameter,
            @Nullable ModelAndViewContainer container,
            NativeWebRequest request,
            @Nullable WebDataBinderFactory binders) {
        CompareChoice look = CompareChoice.of(name -> Optional.ofNullable(request.getParameter(name)));
        if (parameter.getParameterType() == CompareChoice.class) {
            return look;
        }
        Business business = businesses.current();
        return new CompareContext(
                look,
                PeriodChoice.of(
                        name -> Optional.ofNullable(request.getParameter(name)),
                        business.today(clock),
                        business.firstMonth()),
                business);
    }
}
