package wendo.app.platform.accounts;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configurers.AbstractHttpConfigurer;
import org.springframework.security.config.annotation.web.configurers.HeadersConfigurer;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.config.observation.SecurityObservationSettings;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.DelegatingPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.AuthenticationEntryPoint;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.access.intercept.AuthorizationFilter;
import org.springframework.security.web.authentication.LoginUrlAuthenticationEntryPoint;
import org.springframework.security.web.authentication.UsernamePasswordAuthenticationFilter;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.header.writers.CrossOriginOpenerPolicyHeaderWriter.CrossOriginOpenerPolicy;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;
import org.springframework.security.web.savedrequest.CookieRequestCache;
import org.springframework.session.jdbc.PostgreSqlJdbcIndexedSessionRepositoryCustomizer;
import wendo.app.platform.site.Installation;

/** Three doors: programs with a key, the public addresses, and people who sign in. */
@Configuration(proxyBeanMethods = false)
class SecurityConfiguration {
    static final String REFUSED = "/sign-in/refused";
    static final String FAULT = "wendo.signInFault";

    /** Nothing here uses the machine's devices. */
    private static final String NO_PERMISSIONS =
            "accelerometer=(), camera=(), geolocation=(), gyroscope=(), microphone=(), payment=(), usb=()";

    /** Nobody looks at what each filter of a request took. */
    @Bean
    SecurityObservationSettings noObservations() {
        return SecurityObservationSettings.noObservations();
    }

    @Bean
    PasswordEncoder passwordEncoder(Installation installation) {
        return new DelegatingPasswordEncoder(
                "bcrypt", Map.of("bcrypt", new BCryptPasswordEncoder(installation.bcryptStrength())));
    }

    /** Two requests of one session may each put the same thing into it: the later one counts. */
    @Bean
    PostgreSqlJdbcIndexedSessionRepositoryCustomizer sessionsWrittenAtOnce() {
        return new PostgreSqlJdbcIndexedSessionRepositoryCustomizer();
    }

    @Bean
    @Order(1)
    SecurityFilterChain programs(HttpSecurity http, ApiKeys keys) throws Exception {
        return http.securityMatcher("/api/**")
                .csrf(AbstractHttpConfigurer::disable)
                .sessionManagement(session -> session.sessionCreationPolicy(SessionCreationPolicy.STATELESS))
                .requestCache(AbstractHttpConfigurer::disable)
                .headers(SecurityConfiguration::strict)
                .addFilterBefore(new ApiKeyFilter(keys), AuthorizationFilter.class)
                .authorizeHttpRequests(requests -> requests.requestMatchers("/api/v1/openapi.json")
                        .permitAll()
                        .requestMatchers(HttpMethod.POST, "/api/v1/outcomes/**")
                        .hasAnyAuthority(KeyScope.ALL.key(), KeyScope.REPORT.key())
                        .requestMatchers(HttpMethod.GET)
                        .hasAnyAuthority(KeyScope.ALL.key(), KeyScope.READ.key())
                        .anyRequest()
                        .hasAuthority(KeyScope.ALL.key()))
                .exceptionHandling(faults -> faults.authenticationEntryPoint(SecurityConfiguration::refuseProgram)
                        .accessDeniedHandler(SecurityConfiguration::refuseScope))
                .build();
    }

    @Bean
    @Order(2)
    SecurityFilterChain everybody(HttpSecurity http) throws Exception {
        return http.securityMatcher("/t/**", "/assets/**", "/favicon.ico", "/actuator/health/**")
                .csrf(AbstractHttpConfigurer::disable)
                .sessionManagement(session -> session.sessionCreationPolicy(SessionCreationPolicy.STATELESS))
                .requestCache(AbstractHttpConfigurer::disable)
                .headers(headers -> strict(headers).cacheControl(HeadersConfigurer.CacheControlConfig::disable))
                .authorizeHttpRequests(requests -> requests.anyRequest().permitAll())
                .build();
    }

    @Bean
    @Order(3)
    SecurityFilterChain people(HttpSecurity http, BusinessFilters businesses, AccountDoors doors) throws Exception {
        return http.headers(SecurityConfiguration::strict)
                // Neither a page that anybody opens nor one that asks to sign in first leaves a session behind.
                .csrf(csrf -> csrf.csrfTokenRepository(tokens()))
                .requestCache(cache -> cache.requestCache(new CookieRequestCache()))
                .authorizeHttpRequests(requests -> requests.requestMatchers(
                                "/sign-in", "/sign-in/**", "/welcome", PasskeyDoors.ASK, "/error")
                        .permitAll()
                        .anyRequest()
                        .authenticated())
                .formLogin(form -> form.loginPage("/sign-in")
                        .usernameParameter("email")
                        .successHandler(doors.welcome())
                        .failureHandler(doors.refusal()))
                .logout(logout -> logout.logoutUrl("/sign-out").logoutSuccessUrl("/sign-in?signedOut=true"))
                .exceptionHandling(faults -> faults.authenticationEntryPoint(askToSignIn()))
                .addFilterBefore(doors.limit(), UsernamePasswordAuthenticationFilter.class)
                .addFilterBefore(doors.passkeys().asking(), AuthorizationFilter.class)
                .addFilterBefore(doors.passkeys().entering(), AuthorizationFilter.class)
                .addFilterAfter(doors.gate(), AuthorizationFilter.class)
                .addFilterAfter(businesses.filter(), AccountGate.class)
                .addFilterAfter(doors.passkeys().offering(), BusinessFilter.class)
                .addFilterAfter(doors.passkeys().adding(), BusinessFilter.class)
                .build();
    }

    /** In a cookie that no script reads; forms bring it back masked. */
    private static CookieCsrfTokenRepository tokens() {
        CookieCsrfTokenRepository tokens = new CookieCsrfTokenRepository();
        tokens.setCookieName("wendo_csrf");
        tokens.setHeaderName("X-CSRF-TOKEN"); // from scripts of ours, which find it in the page
        tokens.setCookieCustomizer(cookie -> cookie.sameSite("Lax").httpOnly(true));
        return tokens;
    }

    private static HeadersConfigurer<HttpSecurity> strict(HeadersConfigurer<HttpSecurity> headers) {
        return headers.contentSecurityPolicy(policy -> policy.policyDirectives(ContentPolicy.ALONE))
                .referrerPolicy(referrer -> referrer.policy(ReferrerPolicy.SAME_ORIGIN))
                .crossOriginOpenerPolicy(opener -> opener.policy(CrossOriginOpenerPolicy.SAME_ORIGIN))
                .permissionsPolicyHeader(permissions -> permissions.policy(NO_PERMISSIONS));
    }

    private static void refuseProgram(
            HttpServletRequest request, HttpServletResponse response, AuthenticationException cause)
            throws IOException {
        response.setStatus(HttpServletResponse.SC_UNAUTHORIZED);
        response.setHeader("WWW-Authenticate", "Bearer");
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.setCharacterEncoding(StandardCharsets.UTF_8.name());
        response.getWriter().write("""
                {"title": "Unauthorized", "status": 401, "detail": "Send a key of this business as \\"Authorization: Bearer …\\". \
                Keys are made under Setup."}""");
    }

    private static void refuseScope(
            HttpServletRequest request, HttpServletResponse response, AccessDeniedException cause) throws IOException {
        response.setStatus(HttpServletResponse.SC_FORBIDDEN);
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.setCharacterEncoding(StandardCharsets.UTF_8.name());
        response.getWriter().write("""
                {"title": "Forbidden", "status": 403, "detail": "This key may not do that. What a key may do is chosen when it is \
                made, under Setup."}""");
    }

    /** A part of a page cannot be sent to the sign-in form: htmx is told to go there as a whole. */
    private static AuthenticationEntryPoint askToSignIn() {
        LoginUrlAuthenticationEntryPoint form = new LoginUrlAuthenticationEntryPoint("/sign-in");
        form.setFavorRelativeUris(true); // never to a host that a caller names
        return (request, response, cause) -> {
            if (request.getHeader("HX-Request") == null) {
                form.commence(request, response, cause);
            } else {
                response.setHeader("HX-Redirect", "/sign-in");
                response.setStatus(HttpServletResponse.SC_UNAUTHORIZED);
            }
        };
    }
}
