package wendo.app.accounts;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
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
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.crypto.factory.PasswordEncoderFactories;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.AuthenticationEntryPoint;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.access.intercept.AuthorizationFilter;
import org.springframework.security.web.authentication.LoginUrlAuthenticationEntryPoint;
import org.springframework.security.web.authentication.UsernamePasswordAuthenticationFilter;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;

/** Three doors: programs with a key, the public addresses, and people who sign in. */
@Configuration(proxyBeanMethods = false)
class SecurityConfiguration {
    static final String REFUSED = "/sign-in/refused";
    static final String FAULT = "wendo.signInFault";

    private static final String POLICY =
            "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self' data:; "
                    + "font-src 'self'; connect-src 'self'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'";

    @Bean
    PasswordEncoder passwordEncoder() {
        return PasswordEncoderFactories.createDelegatingPasswordEncoder();
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
    SecurityFilterChain people(HttpSecurity http, Accounts accounts) throws Exception {
        return http.headers(SecurityConfiguration::strict)
                .authorizeHttpRequests(requests -> requests.requestMatchers("/sign-in", REFUSED, "/error")
                        .permitAll()
                        .anyRequest()
                        .authenticated())
                .formLogin(form -> form.loginPage("/sign-in")
                        .usernameParameter("email")
                        .defaultSuccessUrl("/today", false)
                        .failureHandler(SecurityConfiguration::refusePerson))
                .logout(logout -> logout.logoutUrl("/sign-out").logoutSuccessUrl("/sign-in?signedOut=true"))
                .exceptionHandling(faults -> faults.authenticationEntryPoint(askToSignIn()))
                .addFilterBefore(new SignInLimit(), UsernamePasswordAuthenticationFilter.class)
                .addFilterAfter(new BusinessFilter(accounts), AuthorizationFilter.class)
                .build();
    }

    private static HeadersConfigurer<HttpSecurity> strict(HeadersConfigurer<HttpSecurity> headers) {
        return headers.contentSecurityPolicy(policy -> policy.policyDirectives(POLICY))
                .referrerPolicy(referrer -> referrer.policy(ReferrerPolicy.SAME_ORIGIN));
    }

    private static void refuseProgram(
            HttpServletRequest request, HttpServletResponse response, AuthenticationException cause)
            throws IOException {
        response.setStatus(HttpServletResponse.SC_UNAUTHORIZED);
        response.setHeader("WWW-Authenticate", "Bearer");
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.getWriter().write("""
                {"title": "Unauthorized", "status": 401, "detail": "Send a key of this business as \\"Authorization: Bearer …\\". \
                Keys are made under Setup."}""");
    }

    private static void refuseScope(
            HttpServletRequest request, HttpServletResponse response, AccessDeniedException cause) throws IOException {
        response.setStatus(HttpServletResponse.SC_FORBIDDEN);
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.getWriter().write("""
                {"title": "Forbidden", "status": 403, "detail": "This key may not do that. What a key may do is chosen when it is \
                made, under Setup."}""");
    }

    private static void refusePerson(
            HttpServletRequest request, HttpServletResponse response, AuthenticationException cause)
            throws IOException, jakarta.servlet.ServletException {
        response.setStatus(422);
        request.setAttribute(
                FAULT, "This e-mail and password do not belong together. Check both; capitals matter in the password.");
        request.getRequestDispatcher(REFUSED).forward(request, response);
    }

    /** A part of a page cannot be sent to the sign-in form: htmx is told to go there as a whole. */
    private static AuthenticationEntryPoint askToSignIn() {
        AuthenticationEntryPoint form = new LoginUrlAuthenticationEntryPoint("/sign-in");
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
