package wendo.app.platform.site;

import java.time.Duration;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.CacheControl;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** Files whose address never changes because other sites name it: kept by browsers for an hour, not for a year. */
@Configuration(proxyBeanMethods = false)
class PublicFiles implements WebMvcConfigurer {

    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        registry.addResourceHandler("/t/*.js", "/t/*.css", "/t/*.svg")
                .addResourceLocations("classpath:/static/t/")
                .setCacheControl(CacheControl.maxAge(Duration.ofHours(1)).cachePublic());
        registry.addResourceHandler("/api/v1/*.json")
                .addResourceLocations("classpath:/static/api/v1/")
                .setCacheControl(CacheControl.noCache());
    }
}
