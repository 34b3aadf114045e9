package tachylim.server.exchange;

import java.util.List;
import java.util.function.LongUnaryOperator;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The ids of sections that stand inside of what was planned: they are others in a file than in a database. */
final class ArchiveIds {

    private static final int LONGEST = 2 * 1024 * 1024;
    private static final int MOST_TOKENS = 400_000;

    /** What is planned is never longer, deeper or in more sections. */
    private static final JsonMapper JSON = JsonMapper.builder(JsonFactory.builder()
                    .streamReadConstraints(StreamReadConstraints.builder()
                            .maxDocumentLength(LONGEST)
                            .maxNestingDepth(60)
                            .maxTokenCount(MOST_TOKENS)
                            .build())
                    .build())
            .build();

    private ArchiveIds() {}

    /** Whether a column holds a document that names sections. */
    static boolean areIn(String table, String column) {
        return table.equals("workout") && column.equals("plan")
                || (table.equals("plan_template") || table.equals("plan_draft")) && column.equals("wish");
    }

    /** The same document with other ids; 0 is nobody's and stays. */
    static String renamed(String table, String document, LongUnaryOperator ids) {
        JsonNode root = JSON.readTree(document);
        if (table.equals("workout")) {
            root.path("themes").forEach(theme -> rename((ObjectNode) theme, "piece", ids));
        } else {
            rename((ObjectNode) root, "pieceId", ids);
            if (root.path("others") instanceof ArrayNode others) {
                List<Long> now = others.valueStream()
                        .map(JsonNode::asLong)
                        .filter(id -> id != 0)
                        .map(ids::applyAsLong)
                        .filter(id -> id != 0)
                        .toList();
                others.removeAll();
                now.forEach(others::add);
            }
        }
        return JSON.writeValueAsString(root);
    }

    private static void rename(ObjectNode node, String field, LongUnaryOperator ids) {
        long id = node.path(field).asLong();
        if (id != 0) {
            node.put(field, ids.applyAsLong(id));
        }
    }
}
