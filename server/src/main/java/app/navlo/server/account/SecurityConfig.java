package app.navlo.server.account;

import app.navlo.server.page.Page;
import app.navlo.server.problem.OutOfReach;
import app.navlo.server.problem.Problems;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.Keyring;
import app.navlo.server.store.Sight;
import jakarta.servlet.DispatcherType;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.security.Principal;
import java.util.Objects;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.ProviderManager;
import org.springframework.security.config.Customizer;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.authentication.UsernamePasswordAuthenticationFilter;
import org.springframework.security.web.context.SecurityContextHolderFilter;
import org.springframework.security.web.header.writers.CrossOriginOpenerPolicyHeaderWriter.CrossOriginOpenerPolicy;
import org.springframework.security.web.header.writers.CrossOriginResourcePolicyHeaderWriter.CrossOriginResourcePolicy;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;
import org.springframework.security.web.servlet.util.matcher.PathPatternRequestMatcher;

/** Session cookie, CSRF token, a strict content policy, and {@link StudentAccess} over everything of a student. */
@Configuration(proxyBeanMethods = false)
class SecurityConfig {
    private static final Logger LOG = LoggerFactory.getLogger(SecurityConfig.class);
    static final String SESSION = "/api/session";

    /** Where a mail program stops the words that come by mail. */
    private static final String STOPPED_MAIL = "/api/notices/stops/*";

    private static final String CONTENT_POLICY =
            "default-src 'self'; script-src 'self'; style-src 'self'%s; img-src 'self'"
                    + " data: blob:; object-src 'none'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'";
    private static final String POLICY_HEADER = "Content-Security-Policy";

    /** What no page of ours needs, whatever got into it. */
    private static final String PERMISSIONS = "accelerometer=(), camera=(), display-capture=(), geolocation=(),"
            + " gyroscope=(), hid=(), magnetometer=(), microphone=(), midi=(), payment=(), serial=(), usb=()";

    @Bean
    PasswordEncoder passwordEncoder(@Value("${navlo.password-cost:" + LongPasswords.COST + "}") int cost) {
        return new LongPasswords(cost);
    }

    @Bean
    SecurityFilterChain security(
            HttpSecurity http,
            StudentAccess access,
            SignIn people,
            PasswordEncoder passwords,
            SignInBrake brake,
            KnownBrowser known,
            Keyring keyring,
            SignedIn signedIn,
            TokenService tokens,
            Problems problems)
            throws Exception {
        return http
                // Of its own: with another behind it, what this one refuses would be checked there uncounted.
                .authenticationManager(new ProviderManager(new BrakedSignIn(people, passwords, brake)))
                .authorizeHttpRequests(requests -> requests.dispatcherTypeMatchers(DispatcherType.ASYNC)
                        .permitAll()
                        .requestMatchers(SESSION)
                        .permitAll()
                        .requestMatchers(HttpMethod.POST, "/api/people")
                        .permitAll()
                        .requestMatchers(HttpMethod.GET, "/api/invitations/*")
                        .permitAll()
                        .requestMatchers(HttpMethod.POST, "/api/invitations/*/people")
                        .permitAll()
                        .requestMatchers(HttpMethod.POST, STOPPED_MAIL)
                        .permitAll()
                        .requestMatchers(
                                "/api/password-resets/**",
                                "/api/hand-overs/*",
                                "/api/passkeys/*",
                                "/api/confirmations/*")
                        .permitAll()
                        .requestMatchers(
                                "/api/students/{student}/guardians/**",
                                "/api/students/{student}/notes/**",
                                "/api/students/{student}/archive/**")
                        .access(access.own())
                        .requestMatchers("/api/students/{student}/agreements/**")
                        .access(access.readers())
                        .requestMatchers(
                                "/api/students/{student}/feedback/**",
                                "/api/students/{student}/files/**",
                                "/api/students/{student}/works/{work}/attachments/**",
                                "/api/students/{student}/works/{work}/comments/**",
                                "/api/students/{student}/works/{work}/draft/**",
                                "/api/students/{student}/works/{work}/hand-ins/**")
                        .access(access.who(Sight::words))
                        .requestMatchers(
                                "/api/students/{student}/messages/**",
                                "/api/students/{student}/works/{work}/message",
                                "/api/students/{student}/works/{work}/messages",
                                "/api/students/{student}/courses/{course}/message",
                                "/api/students/{student}/courses/{course}/messages")
                        .access(access.readers(Sight::messages))
                        .requestMatchers("/api/students/{student}/**")
                        .access(access)
                        .requestMatchers("/api/news/{student}/**", "/api/household/{student}/own")
                        .access(access.readers())
                        .requestMatchers("/api/administration/**")
                        .access(access.administrators())
                        .requestMatchers("/api/**")
                        .authenticated()
                        .anyRequest()
                        .permitAll())
                // No browser sends a token by itself, so nobody can be made to use one; a mail program has none to
                // send.
                .csrf(csrf -> csrf.spa()
                        .csrfTokenRepository(new BoundCsrfTokens(keyring))
                        .ignoringRequestMatchers(TokenFilter::bears)
                        .ignoringRequestMatchers(STOPPED_MAIL))
                .formLogin(form -> form.loginPage("/")
                        .loginProcessingUrl(SESSION)
                        .usernameParameter("email")
                        .authenticationDetailsSource(request ->
                                new BrakedSignIn.Details(request.getRemoteAddr(), known.knows(request, email(request))))
                        .successHandler((request, response, who) -> {
                            known.remember(request, response, email(request));
                            signedIn.note(request);
                            LOG.info(
                                    "person {} signed in",
                                    Objects.requireNonNull(((Person) who.getPrincipal()))
                                            .id());
                            response.setStatus(HttpServletResponse.SC_NO_CONTENT);
                        })
                        .failureHandler((request, response, why) -> refuse(response, why, problems)))
                .logout(logout -> logout.logoutRequestMatcher(
                                PathPatternRequestMatcher.withDefaults().matcher(HttpMethod.DELETE, SESSION))
                        .logoutSuccessHandler((request, response, who) -> {
                            LOG.info("person {} signed out", who == null ? "nobody" : who.getName());
                            response.setStatus(HttpServletResponse.SC_NO_CONTENT);
                        }))
                .exceptionHandling(errors -> errors.authenticationEntryPoint(
                                (request, response, why) -> notSignedIn(response, problems))
                        .accessDeniedHandler((request, response, why) -> deny(request, response, problems)))
                .requestCache(cache -> cache.disable())
                .headers(headers -> headers.addHeaderWriter(SecurityConfig::contentPolicy)
                        .referrerPolicy(referrer -> referrer.policy(ReferrerPolicy.SAME_ORIGIN))
                        .frameOptions(frame -> frame.deny())
                        .permissionsPolicyHeader(permissions -> permissions.policy(PERMISSIONS))
                        .crossOriginOpenerPolicy(opener -> opener.policy(CrossOriginOpenerPolicy.SAME_ORIGIN))
                        .crossOriginResourcePolicy(resource -> resource.policy(CrossOriginResourcePolicy.SAME_ORIGIN))
                        .contentTypeOptions(Customizer.withDefaults()))
                .addFilterBefore(new LongestSignIn(), SecurityContextHolderFilter.class)
                .addFilterBefore(new TokenFilter(tokens, problems), UsernamePasswordAuthenticationFilter.class)
                .build();
    }

    /** What was set already is stricter: a file that is sent may do nothing at all. */
    private static void contentPolicy(HttpServletRequest request, HttpServletResponse response) {
        if (!response.containsHeader(POLICY_HEADER)) {
            String styles = Page.number(request).map(" 'nonce-%s'"::formatted).orElse("");
            response.setHeader(POLICY_HEADER, CONTENT_POLICY.formatted(styles));
        }
    }

    private static void deny(HttpServletRequest request, HttpServletResponse response, Problems problems)
            throws IOException {
        Principal who = request.getUserPrincipal();
        LOG.info(
                "person {} was refused: {} {}",
                who == null ? "nobody" : who.getName(),
                request.getMethod(),
                request.getServletPath());
        problems.write(
                response,
                Refusal.forbidden(
                        "This isn't yours to see or change",
                        "A guardian reads what the student shows them, and never changes it; only who"
                                + " administers this Navlo sees its people. Sign in as the one whose it is."));
    }

    private static String email(HttpServletRequest request) {
        return Objects.requireNonNullElse(request.getParameter("email"), "");
    }

    private static void refuse(HttpServletResponse response, AuthenticationException why, Problems problems)
            throws IOException {
        if (why instanceof BrakedSignIn.TooSoon soon) {
            LOG.info("a sign-in was refused unchecked: too many tries");
            long seconds = soon.longest().toSeconds() + 1;
            response.setHeader(HttpHeaders.RETRY_AFTER, Long.toString(seconds));
            problems.write(response, Refusal.tooManyTries(seconds));
        } else if (OutOfReach.in(why)) {
            problems.write(response, problems.outOfReach(why));
        } else {
            LOG.info("a sign-in was refused");
            problems.write(response, wrongSignIn());
        }
    }

    /** The same words whether the address or the password is wrong. */
    private static Refusal wrongSignIn() {
        return Refusal.of(
                HttpStatus.UNAUTHORIZED, "Not signed in", "password", "Address and password don't belong together.");
    }

    private static void notSignedIn(HttpServletResponse response, Problems problems) throws IOException {
        problems.write(response, Refusal.of(HttpStatus.UNAUTHORIZED, "Not signed in", "", "Sign in and try again."));
    }
}
