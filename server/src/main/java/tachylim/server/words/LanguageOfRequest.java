package tachylim.server.words;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Locale;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.DispatcherServlet;
import org.springframework.web.servlet.i18n.AcceptHeaderLocaleResolver;

/** The language of an answer: the one its address names ({@code ?lang=de}), or else the first that the browser accepts. */
@Component(DispatcherServlet.LOCALE_RESOLVER_BEAN_NAME)
class LanguageOfRequest extends AcceptHeaderLocaleResolver {

    @Override
    public Locale resolveLocale(HttpServletRequest request) {
        String named = request.getParameter("lang");
        return named == null ? super.resolveLocale(request) : Locale.forLanguageTag(named);
    }
}
