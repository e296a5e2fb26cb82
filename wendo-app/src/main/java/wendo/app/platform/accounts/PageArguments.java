package wendo.app.platform.accounts;

import java.util.List;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Lazy;
import org.springframework.web.method.support.HandlerMethodArgumentResolver;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

@Configuration(proxyBeanMethods = false)
class PageArguments implements WebMvcConfigurer {
    private final FrameAdvice frameAdvice;
    private final OwnLinks links;

    PageArguments(FrameAdvice frameAdvice, @Lazy OwnLinks links) { // links are looked up with the first change of one
        this.frameAdvice = frameAdvice;
        this.links = links;
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(new PermissionInterceptor(links));
    }

    @Override
    public void addArgumentResolvers(List<HandlerMethodArgumentResolver> resolvers) {
        resolvers.add(frameAdvice);
    }
}
