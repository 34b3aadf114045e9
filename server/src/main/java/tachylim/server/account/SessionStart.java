package tachylim.server.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.authority.AuthorityUtils;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.SecurityContextRepository;

/** Begins a session: a fresh session id, and who it belongs to. */
public final class SessionStart {

    private SessionStart() {}

    public static void begin(SignedIn who, SecurityContextRepository contexts, HttpServletRequest request,
            HttpServletResponse response) {
        if (request.getSession(false) != null) {
            request.changeSessionId();
        }
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(UsernamePasswordAuthenticationToken.authenticated(
                who, null, AuthorityUtils.createAuthorityList("ROLE_PLAYER")));
        SecurityContextHolder.setContext(context);
        contexts.saveContext(context, request, response);
    }
}
