package wendo.app.platform.site;

import org.springframework.context.annotation.Configuration;
import org.thymeleaf.cache.StandardCacheManager;
import org.thymeleaf.spring6.SpringTemplateEngine;

/**
 * Templates and the expressions in them are read once. Thymeleaf remembers 200 and 500 of them unless it is told otherwise,
 * and reads again what it forgot; the templates with their fragments are more than 200, their expressions some thousands.
 */
@Configuration(proxyBeanMethods = false)
class TemplateCaches {
    private static final int MOST_TEMPLATES = 2_000;
    private static final int MOST_EXPRESSIONS = 10_000;

    TemplateCaches(SpringTemplateEngine engine) {
        StandardCacheManager caches = new StandardCacheManager();
        caches.setTemplateCacheMaxSize(MOST_TEMPLATES);
        caches.setExpressionCacheMaxSize(MOST_EXPRESSIONS);
        engine.setCacheManager(caches);
    }
}
