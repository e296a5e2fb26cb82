package wendo.app.platform.site;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.servlet.LocaleResolver;
import org.springframework.web.servlet.i18n.AcceptHeaderLocaleResolver;

/** Pages speak the language that the reader's browser asks for, among those that are offered. */
@Configuration(proxyBeanMethods = false)
class Languages {

    @Bean
    LocaleResolver localeResolver() {
        AcceptHeaderLocaleResolver browsers = new AcceptHeaderLocaleResolver();
        browsers.setSupportedLocales(Texts.OFFERED);
        browsers.setDefaultLocale(Texts.OFFERED.get(0));
        return browsers;
    }
}
