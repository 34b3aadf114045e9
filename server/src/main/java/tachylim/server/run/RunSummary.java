package tachylim.server.run;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.ArrayList;
import java.util.List;
import tachylim.record.StoredNames;
import tachylim.server.ceiling.PlayedPass;
import tachylim.server.record.AssignedId;
import tachylim.task.PassKind;
import tachylim.task.Verdict;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;

/** What a workout came to: its sums, and its passes in order as far as a small picture shows them. */
@Entity
@Table(name = "run_summary")
public class RunSummary extends AssignedId<Long> {

    private static final JsonMapper JSON = new JsonMapper();

    @Id
    private Long runId;

    private Long accountId;

    @Column(name = "pieces")
    private int sections;

    private int passes;
    private int clean;
    private int rough;
    private int broke;
    private double playedSeconds;
    private double burstSeconds;
    private double effort;
    private Double fastestClean;
    private int worstTension;

    @Column(columnDefinition = "mediumtext")
    private String sketch;

    protected RunSummary() {}

    RunSummary(StoredRun run, List<PlayedPass> inOrder) {
        this.runId = run.id();
        this.accountId = run.accountId();
        this.sections =
                (int) inOrder.stream().map(PlayedPass::sectionId).distinct().count();
        ArrayNode drawn = JSON.createArrayNode();
        for (PlayedPass pass : inOrder) {
            add(pass, run.sectionId().equals(pass.sectionId()));
            drawn.addArray()
                    .add(StoredNames.PASS_KIND.name(pass.kind()))
                    .add(pass.tempo().bpm())
                    .add(pass.playSeconds())
                    .add(pass.verdict() == null ? null : StoredNames.VERDICT.name(pass.verdict()));
        }
        this.sketch = drawn.toString();
    }

    private void add(PlayedPass pass, boolean ofItsSection) {
        passes += pass.verdict() == null ? 0 : 1;
        clean += pass.verdict() == Verdict.CLEAN ? 1 : 0;
        rough += pass.verdict() == Verdict.ROUGH ? 1 : 0;
        broke += pass.verdict() == Verdict.BROKE ? 1 : 0;
        playedSeconds += pass.playSeconds();
        burstSeconds += pass.burstSeconds();
        effort += pass.effort();
        worstTension =
                pass.saysTension() ? Math.max(worstTension, pass.tension().ordinal()) : worstTension;
        // A burst is a part of it: clean at that tempo is what the whole was.
        boolean whole = pass.kind() != PassKind.WARM_UP && pass.kind() != PassKind.BURST;
        if (ofItsSection && whole && pass.verdict() == Verdict.CLEAN) {
            double tempo = pass.tempo().bpm();
            fastestClean = fastestClean == null ? tempo : Math.max(fastestClean, tempo);
        }
    }

    /** Its passes in order. */
    public List<SketchDto> sketch() {
        List<SketchDto> drawn = new ArrayList<>();
        for (JsonNode pass : JSON.readTree(sketch)) {
            drawn.add(new SketchDto(
                    StoredNames.PASS_KIND.value(pass.path(0).asString()),
                    pass.path(1).asDouble(),
                    pass.path(2).asDouble(),
                    pass.path(3).isNull()
                            ? null
                            : StoredNames.VERDICT.value(pass.path(3).asString())));
        }
        return drawn;
    }

    /** How many sections were played. */
    public int sections() {
        return sections;
    }

    /** Passes with a verdict. */
    public int passes() {
        return passes;
    }

    public int clean() {
        return clean;
    }

    public int rough() {
        return rough;
    }

    public int broke() {
        return broke;
    }

    public double playedSeconds() {
        return playedSeconds;
    }

    public double burstSeconds() {
        return burstSeconds;
    }

    public double effort() {
        return effort;
    }

    /** The fastest clean pass of the section it is named after that was no warm-up; null when there was none. */
    public Double fastestClean() {
        return fastestClean;
    }

    public int worstTension() {
        return worstTension;
    }

    @Override
    public Long getId() {
        return runId;
    }
}
