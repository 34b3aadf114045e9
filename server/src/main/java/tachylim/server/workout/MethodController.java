package tachylim.server.workout;

import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.Arrays;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import tachylim.method.School;
import tachylim.workout.Miniature;

/** The methods there are, each with what it is for and how it moves. */
@RestController
@RequestMapping("/api/methods")
@Tag(name = "plan")
class MethodController {

    record MethodDto(School school, School.Purpose purpose, List<Miniature.Stretch> shape) {

        static MethodDto of(School school) {
            return new MethodDto(school, school.purpose(), Miniature.of(school));
        }
    }

    private List<MethodDto> methods;

    /** They are the same for everybody and for ever: drawn once, when first asked for. */
    @GetMapping
    synchronized List<MethodDto> methods() {
        if (methods == null) {
            methods = Arrays.stream(School.values())
                    .filter(School::makesCore)
                    .map(MethodDto::of)
                    .toList();
        }
        return methods;
    }
}
