package tachylim.server.web;

import io.swagger.v3.oas.annotations.Hidden;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

/** Every address of the application is the one page; the browser decides which view it shows. */
@Hidden
@Controller
class PageController {

    @GetMapping({
        "/",
        "/welcome",
        "/sign-in",
        "/register",
        "/start",
        "/passages",
        "/passages/**",
        "/plan/**",
        "/run/**",
        "/counts",
        "/recording",
        "/ceiling",
        "/ceiling/**",
        "/load",
        "/learned",
        "/season",
        "/log",
        "/log/**",
        "/settings"
    })
    String page() {
        return "forward:/index.html";
    }
}
