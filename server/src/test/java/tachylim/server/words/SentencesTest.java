package tachylim.server.words;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.source.tree.AnnotationTree;
import com.sun.source.tree.CompilationUnitTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.JavacTask;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import javax.tools.JavaCompiler;
import javax.tools.StandardJavaFileManager;
import javax.tools.ToolProvider;
import org.junit.jupiter.api.Test;

/**
 * No class holds a sentence for players: what is said stands in the catalogues. What engineers read (messages of exceptions,
 * descriptions, logs), what a database or a browser is told, and the demo's pieces are no such sentences.
 */
class SentencesTest {

    /** Two words or more that begin as a sentence does or end as one. */
    private static final Pattern SENTENCE =
            Pattern.compile("[A-Z][a-z]+ [a-z]+.*|.*[a-z]+ [a-z]+[^a-z]*[.:;?] ?|.* [a-z]+ [a-z]+ .*");

    private static final Pattern FOR_MACHINES = Pattern.compile(
            "(?is).*\\b(select|insert|update|delete|where|from|order by|default-src|font-src|private, no-store|varchar)\\b.*");

    private static final List<String> NOT_FOR_PLAYERS = List.of("demo", "backup", "cluster");

    /** What former editions wrote into files, which are read on. */
    private static final Set<String> READ_ON = Set.of("Practice without a screen");

    private static List<Path> sources() throws IOException {
        List<Path> all = new ArrayList<>();
        for (String module : List.of("core", "shown", "browser", "server")) {
            try (Stream<Path> files = Files.walk(Path.of("..", module, "src/main/java"))) {
                files.filter(file -> file.toString().endsWith(".java"))
                        .filter(file -> !NOT_FOR_PLAYERS.contains(
                                file.getParent().getFileName().toString()))
                        .forEach(all::add);
            }
        }
        return all;
    }

    private static List<String> sentences(CompilationUnitTree unit) {
        List<String> found = new ArrayList<>();
        new TreePathScanner<Void, Void>() {
            @Override
            public Void visitLiteral(LiteralTree literal, Void none) {
                if (literal.getValue() instanceof String text
                        && !READ_ON.contains(text)
                        && SENTENCE.matcher(text).matches()
                        && !FOR_MACHINES.matcher(text).matches()
                        && !isForEngineers(getCurrentPath())) {
                    found.add(Path.of(unit.getSourceFile().getName()).getFileName() + ": " + text);
                }
                return null;
            }
        }.scan(unit, null);
        return found;
    }

    private static boolean isForEngineers(TreePath at) {
        for (TreePath path = at; path != null; path = path.getParentPath()) {
            Tree leaf = path.getLeaf();
            if (leaf instanceof AnnotationTree
                    || leaf instanceof NewClassTree made
                            && made.getIdentifier().toString().matches(".*(Exception|Error)")
                    || leaf instanceof MethodInvocationTree call
                            && call.getMethodSelect().toString().matches("LOG\\..*")) {
                return true;
            }
        }
        return false;
    }

    @Test
    void noClassHoldsASentence() throws IOException {
        JavaCompiler compiler = ToolProvider.getSystemJavaCompiler();
        try (StandardJavaFileManager files = compiler.getStandardFileManager(null, null, null)) {
            JavacTask task = (JavacTask)
                    compiler.getTask(null, files, null, null, null, files.getJavaFileObjectsFromPaths(sources()));
            List<String> found = new ArrayList<>();
            for (CompilationUnitTree unit : task.parse()) {
                found.addAll(sentences(unit));
            }
            assertThat(found).isEmpty();
        }
    }
}
