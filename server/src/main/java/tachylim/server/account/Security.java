package tachylim.server.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.util.Map;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.security.authorization.AuthorizationDecision;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.DelegatingPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextHolderFilter;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.csrf.CsrfTokenRepository;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;
import tachylim.server.TachylimSettings;
import tachylim.server.web.ThisMachine;
import tachylim.server.words.Words;
import tachylim.words.Reason;
import tools.jackson.databind.json.JsonMapper;

/** Who may ask for what, and the headers of every answer. */
@Configuration
class Security {

    /** The one style sheet that the engraver puts into its drawings. */
    private static final String ENGRAVER_STYLE = "'sha256-BCpnf71gZdCsSCHDzyB1RsBbZ0qQdqseK6v+yJsgg30='";

    private static final String CONTENT_POLICY =
            "default-src 'none'; script-src 'self'; style-src 'self' " + ENGRAVER_STYLE + "; "
                    + "font-src 'self'; img-src 'self' data:; connect-src 'self'; media-src 'self' blob:; manifest-src 'self'; "
                    + "base-uri 'none'; form-action 'self'; frame-ancestors 'none'";

    /** New passwords are digested and then hashed, so that any length counts; older ones as they were, until next given. */
    @Bean
    PasswordEncoder passwords(TachylimSettings settings) {
        DelegatingPasswordEncoder passwords = new DelegatingPasswordEncoder(
                "digest-bcrypt", Map.of("digest-bcrypt", new DigestedBCrypt(settings.hashStrength())));
        passwords.setDefaultPasswordEncoderForMatches(new BCryptPasswordEncoder());
        return passwords;
    }

    @Bean
    CsrfTokenRepository tokens() {
        return CookieCsrfTokenRepository.withHttpOnlyFalse();
    }

    @Bean
    SecurityContextRepository contexts() {
        return new HttpSessionSecurityContextRepository();
    }

    /** Signing in goes through our own service; there is no user of the framework's making. */
    @Bean
    UserDetailsService noUsers() {
        return name -> {
            throw new UsernameNotFoundException(name);
        };
    }

    /** Calendars bring a secret and nothing else: they have no session, and are given no cookie. */
    @Bean
    @Order(1)
    SecurityFilterChain calendars(HttpSecurity http) throws Exception {
        return http.securityMatcher("/calendar/**")
                .authorizeHttpRequests(requests -> requests.anyRequest().permitAll())
                .csrf(csrf -> csrf.disable())
                .sessionManagement(sessions -> sessions.disable())
                .securityContext(context -> context.disable())
                .requestCache(cache -> cache.disable())
                .formLogin(form -> form.disable())
                .httpBasic(basic -> basic.disable())
                .logout(logout -> logout.disable())
                .build();
    }

    @Bean
    SecurityFilterChain chain(
            HttpSecurity http,
            SecurityContextRepository contexts,
            CsrfTokenRepository tokens,
            TachylimSettings settings,
            Clock clock)
            throws Exception {
        return http.authorizeHttpRequests(requests -> requests.requestMatchers(
                                HttpMethod.GET, "/api/greeting", "/api/demo")
                        .permitAll()
                        .requestMatchers("/api/openapi", "/api/openapi.yaml")
                        .access((who, context) -> new AuthorizationDecision(settings.openapi()))
                        .requestMatchers("/actuator/**")
                        .access((who, context) -> new AuthorizationDecision(ThisMachine.asks(context.getRequest())))
                        .requestMatchers(HttpMethod.POST, "/api/account", "/api/session", "/api/demo")
                        .permitAll()
                        .requestMatchers("/api/**")
                        .authenticated()
                        .anyRequest()
                        .permitAll())
                .csrf(csrf -> csrf.spa().csrfTokenRepository(tokens))
                .addFilterBefore(new Sessions.Lifetime(clock), SecurityContextHolderFilter.class)
                .securityContext(context -> context.securityContextRepository(contexts))
                .requestCache(cache -> cache.disable())
                .formLogin(form -> form.disable())
                .httpBasic(basic -> basic.disable())
                .logout(logout -> logout.disable())
                .exceptionHandling(handling -> handling.authenticationEntryPoint((request, response, problem) -> answer(
                                request, response, 401, Reason.of("refusal.security.youAreNotSignedInSignInAnd")))
                        .accessDeniedHandler((request, response, problem) -> answer(
                                request, response, 403, Reason.of("refusal.security.thisPageHasGrownOldLoadIt"))))
                .headers(headers -> headers.contentSecurityPolicy(policy -> policy.policyDirectives(CONTENT_POLICY))
                        .referrerPolicy(referrer -> referrer.policy(ReferrerPolicy.SAME_ORIGIN))
                        .permissionsPolicyHeader(permissions -> permissions.policy(
                                "camera=(), geolocation=(), payment=(), usb=(), microphone=(self), midi=(self)"))
                        .frameOptions(frame -> frame.deny()))
                .build();
    }

    private static void answer(HttpServletRequest request, HttpServletResponse response, int status, Reason reason)
            throws java.io.IOException {
        response.setStatus(status);
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.setCharacterEncoding("UTF-8");
        response.getWriter()
                .write(JsonMapper.shared()
                        .writeValueAsString(Map.of(
                                "status",
                                status,
                                "detail",
                                Words.in(request.getLocales()).say(reason))));
    }
}
