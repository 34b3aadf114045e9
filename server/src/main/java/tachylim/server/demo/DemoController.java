package tachylim.server.demo;

import io.swagger.v3.oas.annotations.Parameter;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Size;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tachylim.server.TachylimSettings;
import tachylim.server.account.SessionStart;
import tachylim.server.demo.DemoService.DemoProgress;
import tachylim.server.web.Refused;
import tachylim.words.Reason;

@RestController
@RequestMapping("/api/demo")
@Tag(name = "demo")
class DemoController {

    private final ObjectProvider<DemoService> demo;
    private final SessionStart start;
    private final TachylimSettings settings;

    DemoController(ObjectProvider<DemoService> demo, SessionStart start, TachylimSettings settings) {
        this.settings = settings;
        this.demo = demo;
        this.start = start;
    }

    /** Where the visitor is: the demo's days are counted there. */
    record Visit(@Size(max = 60) String zone) {}

    /**
     * Opens the demo account; on a server that is no demo there is none. It is one account for whoever opens it, so others than
     * this machine are let in only where that was configured.
     */
    @PostMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void open(
            @Valid @RequestBody(required = false) Visit visit,
            @Parameter(hidden = true) HttpServletRequest request,
            @Parameter(hidden = true) HttpServletResponse response) {
        start.begin(
                service(request).visited(visit == null || visit.zone() == null ? "" : visit.zone()), request, response);
    }

    /** How far the demo is written, for whoever waits for it. */
    @GetMapping
    DemoProgress progress(@Parameter(hidden = true) HttpServletRequest request) {
        return service(request).progress();
    }

    private DemoService service(HttpServletRequest request) {
        DemoService service = settings.showsDemo(request) ? demo.getIfAvailable() : null;
        if (service == null) {
            throw Refused.notFound(Reason.of("refusal.demoController.theDemoIsNotHere"));
        }
        return service;
    }
}
