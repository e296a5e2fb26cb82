package wendo.app.platform.site;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Locale;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.servlet.LocaleResolver;
import org.springframework.web.servlet.i18n.AcceptHeaderLocaleResolver;

/**
 * Pages speak the language that a signed-in person chose, else what the browser asks for among those that are offered;
 * programs are answered in English.
 */
@Configuration(proxyBeanMethods = false)
public class Languages {
    /** The attribute of a request that carries what its person chose. */
    public static final String CHOSEN = "wendo.language";

    @Bean
    LocaleResolver localeResolver() {
        AcceptHeaderLocaleResolver browsers = new AcceptHeaderLocaleResolver();
        browsers.setSupportedLocales(Texts.OFFERED);
        browsers.setDefaultLocale(Texts.OFFERED.get(0));
        return new ReadersLanguage(browsers);
    }

    private record ReadersLanguage(AcceptHeaderLocaleResolver browsers) implements LocaleResolver {
        @Override
        public Locale resolveLocale(HttpServletRequest request) {
            String path = request.getRequestURI();
            if (path.startsWith("/api/")) {
                return Locale.ENGLISH;
            }
            if (path.startsWith("/t/")) {
                return PublicLanguages.of(Objects.requireNonNullElse(request.getHeader("Accept-Language"), ""))
                        .orElseGet(() -> ofBusiness(request));
            }
            return request.getAttribute(CHOSEN) instanceof Locale chosen ? chosen : browsers.resolveLocale(request);
        }

        private static Locale ofBusiness(HttpServletRequest request) {
            return request.getAttribute(PublicLanguages.OF_BUSINESS) instanceof Locale own
                    ? Texts.language(own)
                    : Locale.ENGLISH;
        }

        @Override
        public void setLocale(
                HttpServletRequest request, @Nullable HttpServletResponse response, @Nullable Locale locale) {
            throw new UnsupportedOperationException("A person's language is kept with the person");
        }
    }
}
