package wendo.app.accounts;

import java.util.List;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.method.support.HandlerMethodArgumentResolver;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

@Configuration(proxyBeanMethods = false)
class PageArguments implements WebMvcConfigurer {
    private final FrameAdvice frameAdvice;

    PageArguments(FrameAdvice frameAdvice) {
        this.frameAdvice = frameAdvice;
    }

    @Override
    public void addArgumentResolvers(List<HandlerMethodArgumentResolver> resolvers) {
        resolvers.add(frameAdvice);
    }
}
