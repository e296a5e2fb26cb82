package wendo.app.platform.site;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Arrays;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpStatus;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** Refuses what no field may hold, on every page. */
@Configuration(proxyBeanMethods = false)
class PlainParameters implements WebMvcConfigurer, HandlerInterceptor {

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(this);
    }

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
        boolean isPlain = request.getParameterMap().values().stream()
                .flatMap(Arrays::stream)
                .allMatch(PlainText::is);
        if (!isPlain) {
            throw new ResponseStatusException(HttpStatus.BAD_REQUEST, PlainText.fault());
        }
        return true;
    }
}
