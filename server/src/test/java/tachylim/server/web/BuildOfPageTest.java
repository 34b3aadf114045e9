package tachylim.server.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.springframework.core.io.ByteArrayResource;
import org.springframework.core.io.ClassPathResource;
import org.springframework.core.io.Resource;
import org.springframework.mock.web.MockFilterChain;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;

class BuildOfPageTest {

    private static final String PAGE = """
            <link rel="modulepreload" href="/assets/say-1.js">
            <script type="module" crossorigin src="/assets/index-Ab_c-12.js"></script>""";

    private static String said(Resource page, String address) throws Exception {
        MockHttpServletResponse response = new MockHttpServletResponse();
        new BuildOfPage(page).doFilter(new MockHttpServletRequest("GET", address), response, new MockFilterChain());
        return response.getHeader(BuildOfPage.HEADER);
    }

    private static Resource page(String text) {
        return new ByteArrayResource(text.getBytes(StandardCharsets.UTF_8));
    }

    @Test
    void answersOfTheApiNameTheScriptThatThePageBeginsWith() throws Exception {
        assertThat(said(page(PAGE), "/api/greeting")).isEqualTo("index-Ab_c-12.js");
        assertThat(said(page(PAGE), "/assets/say-1.js")).isNull();
    }

    @Test
    void whereNoPageWasBuiltNothingIsSaid() throws Exception {
        assertThat(said(new ClassPathResource("static/none.html"), "/api/greeting"))
                .isNull();
        assertThat(said(page("<p>No script.</p>"), "/api/greeting")).isNull();
    }
}
