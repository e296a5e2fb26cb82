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
    private final IdentityCheck identity;

    PageArguments(
            FrameAdvice frameAdvice,
            @Lazy OwnLinks links,
            @Lazy IdentityCheck identity) { // links are looked up with the first change of one
        this.frameAdvice = frameAdvice;
        this.links = links;
        this.identity = identity;
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(new PermissionInterceptor(links, identity));
    }

    @Override
    public void addArgumentResolvers(List<HandlerMethodArgumentResolver> resolvers) {
        resolvers.add(frameAdvice);
    }
}
