package tachylim.server.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import org.springframework.http.HttpHeaders;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.authority.AuthorityUtils;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CsrfTokenRepository;
import org.springframework.stereotype.Component;

/** Begins a session: a new one with nothing of the old in it, a new token against forged requests, and who it belongs to. */
@Component
public class SessionStart {

    private final SecurityContextRepository contexts;
    private final CsrfTokenRepository tokens;

    SessionStart(SecurityContextRepository contexts, CsrfTokenRepository tokens) {
        this.contexts = contexts;
        this.tokens = tokens;
    }

    public void begin(SignedIn who, HttpServletRequest request, HttpServletResponse response) {
        if (request.getSession(false) != null) {
            request.getSession().invalidate();
        }
        Authentication authentication = UsernamePasswordAuthenticationToken.authenticated(
                who, null, AuthorityUtils.createAuthorityList("ROLE_PLAYER"));
        request.getSession(true)
                .setAttribute(Sessions.BROWSER, Browser.named(request.getHeader(HttpHeaders.USER_AGENT)));
        tokens.saveToken(tokens.generateToken(request), request, response);
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(authentication);
        SecurityContextHolder.setContext(context);
        contexts.saveContext(context, request, response);
    }
}
