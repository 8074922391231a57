package app.navlo.bench;

import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** What is said after the name of a measurement: {@code --students 100 --sigma 0.45}. */
public final class Options {
    private final Map<String, String> said = new HashMap<>();

    /** @throws IllegalArgumentException if a name has no value */
    Options(List<String> words) {
        for (int i = 0; i < words.size(); i += 2) {
            if (!words.get(i).startsWith("--") || i + 1 == words.size()) {
                throw new IllegalArgumentException(words.get(i) + " isn't --NAME with a value after it");
            }
            said.put(words.get(i).substring(2), words.get(i + 1));
        }
    }

    public String text(String name, String otherwise) {
        return said.getOrDefault(name, otherwise);
    }

    public long whole(String name, long otherwise) {
        return said.containsKey(name) ? Long.parseLong(text(name, "")) : otherwise;
    }

    public double number(String name, double otherwise) {
        return said.containsKey(name) ? Double.parseDouble(text(name, "")) : otherwise;
    }
}
