package tachylim.server.account;

import java.util.LinkedHashMap;
import java.util.Map;

/** Names a browser roughly, from what it says of itself, so that its owner knows it in a list. */
final class Browser {

    private static final Map<String, String> KINDS =
            inOrder("Firefox/", "Firefox", "Edg/", "Edge", "OPR/", "Opera", "Chrome/", "Chrome", "Safari/", "Safari");
    private static final Map<String, String> PLACES = inOrder(
            "Android",
            "Android",
            "iPhone",
            "iPhone",
            "iPad",
            "iPad",
            "Windows",
            "Windows",
            "Mac OS X",
            "a Mac",
            "Linux",
            "Linux");

    private Browser() {}

    private static Map<String, String> inOrder(String... pairs) {
        Map<String, String> map = new LinkedHashMap<>();
        for (int i = 0; i < pairs.length; i += 2) {
            map.put(pairs[i], pairs[i + 1]);
        }
        return map;
    }

    static String named(String said) {
        String kind = first(KINDS, said);
        String place = first(PLACES, said);
        return kind.isEmpty() ? "another program" : place.isEmpty() ? kind : kind + " on " + place;
    }

    private static String first(Map<String, String> known, String said) {
        return said == null
                ? ""
                : known.entrySet().stream()
                        .filter(one -> said.contains(one.getKey()))
                        .map(Map.Entry::getValue)
                        .findFirst()
                        .orElse("");
    }
}
