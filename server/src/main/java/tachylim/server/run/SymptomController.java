package tachylim.server.run;

import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tachylim.server.account.SignedIn;
import tachylim.server.run.RunDtos.SymptomWish;
import tachylim.server.web.ChangesNoCap;

@RestController
@RequestMapping("/api/symptoms")
@Tag(name = "run")
class SymptomController {

    private final RunService runs;

    SymptomController(RunService runs) {
        this.runs = runs;
    }

    /** Pain, numbness or tingling, reported from anywhere: a workout that is open ends, and playing rests. */
    @PostMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @ChangesNoCap("it closes everything, and waits for nothing")
    void report(@AuthenticationPrincipal SignedIn who, @Valid @RequestBody SymptomWish wish) {
        runs.symptom(who, wish.clientId(), wish.secondsAgo() == null ? 0 : wish.secondsAgo());
    }
}
