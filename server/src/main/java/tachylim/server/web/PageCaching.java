package tachylim.server.web;

import java.time.Duration;
import java.util.List;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.CacheControl;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.springframework.web.servlet.resource.EncodedResourceResolver;

/**
 * Built files carry their hash in their name and are kept for good; the page itself, and what keeps it in a browser, is asked
 * for anew. The build has compressed them as well as it can be done.
 */
@Configuration
class PageCaching implements WebMvcConfigurer {

    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        serve(
                registry,
                "classpath:/static/assets/",
                CacheControl.maxAge(Duration.ofDays(365)).immutable(),
                "/assets/**");
        serve(registry, "classpath:/static/icons/", CacheControl.noCache(), "/icons/**");
        serve(
                registry,
                "classpath:/static/",
                CacheControl.noCache(),
                "/index.html",
                "/favicon.svg",
                "/worker.js",
                "/manifest.json");
    }

    private static void serve(
            ResourceHandlerRegistry registry, String location, CacheControl kept, String... addresses) {
        EncodedResourceResolver compressed = new EncodedResourceResolver();
        compressed.setContentCodings(List.of("br", "gzip"));
        registry.addResourceHandler(addresses)
                .addResourceLocations(location)
                .setCacheControl(kept)
                .resourceChain(true)
                .addResolver(compressed);
    }
}
