package app.navlo.bench;

import java.io.IOException;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.stream.Collectors;
import java.util.stream.StreamSupport;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What a Navlo answered with "done" for one student, held against what it says later. */
final class Confirmed {
    /** Rows of each table that is read in. */
    static final int ROWS = 25;

    private static final JsonMapper JSON = JsonMapper.builder().build();

    private final List<String> works = new CopyOnWriteArrayList<>();
    private final List<String> undone = new CopyOnWriteArrayList<>();
    private final List<String> notes = new CopyOnWriteArrayList<>();
    private final List<String> tables = new CopyOnWriteArrayList<>();
    private final List<HandedIn> handIns = new CopyOnWriteArrayList<>();

    private record HandedIn(String address, byte[] content) {}

    /**
     * What was found.
     *
     * @param lost what was confirmed and isn't there, or is there twice
     * @param half tables of which only a part is there, hand-ins without their file
     */
    record Found(int lost, int half) {
        static final Found NOTHING_AMISS = new Found(0, 0);

        Found and(Found other) {
            return new Found(lost + other.lost, half + other.half);
        }
    }

    void work(String title) {
        works.add(title);
    }

    /** A piece of work whose making was taken back. */
    void undone(String title) {
        undone.add(title);
    }

    void note(String body) {
        notes.add(body);
    }

    /** A table whose rows are called by its name, a slash and a number. */
    void table(String name) {
        tables.add(name);
    }

    void handIn(String address, byte[] content) {
        handIns.add(new HandedIn(address, content.clone()));
    }

    int count() {
        return works.size() + undone.size() + notes.size() + tables.size() + handIns.size();
    }

    String words() {
        return works.size() + " pieces of work, " + undone.size() + " undone, " + notes.size() + " notes, "
                + tables.size() + " tables, " + handIns.size() + " hand-ins";
    }

    Found look(Client student) throws IOException, InterruptedException {
        JsonNode board = JSON.readTree(student.read(student.own("/board"))).get("works");
        Map<String, Long> titles = StreamSupport.stream(board.spliterator(), false)
                .collect(Collectors.groupingBy(work -> work.get("title").asString(), Collectors.counting()));
        int lost = 0;
        int half = 0;
        for (String title : works) {
            lost += titles.getOrDefault(title, 0L) == 1 ? 0 : 1;
        }
        for (String title : undone) {
            lost += titles.containsKey(title) ? 1 : 0;
        }
        Set<String> begun = new HashSet<>();
        titles.keySet().stream()
                .filter(title -> title.contains("/"))
                .forEach(title -> begun.add(title.substring(0, title.indexOf('/'))));
        for (String table : tables) {
            lost += begun.contains(table) ? 0 : 1;
        }
        for (String table : begun) {
            long there = titles.entrySet().stream()
                    .filter(title -> title.getKey().startsWith(table + "/"))
                    .mapToLong(Map.Entry::getValue)
                    .sum();
            half += there == ROWS ? 0 : 1;
        }
        for (JsonNode work : board) {
            boolean handedIn = work.get("stage").asString().equals("TURNED_IN");
            half += handedIn && work.get("files").asInt() != 1 ? 1 : 0;
        }
        return new Found(lost + lostNotes(student) + lostFiles(student), half);
    }

    private int lostNotes(Client student) throws IOException, InterruptedException {
        List<String> there = StreamSupport.stream(
                        JSON.readTree(student.read(student.own("/notes"))).spliterator(), false)
                .map(note -> note.get("body").asString())
                .toList();
        return (int) notes.stream()
                .filter(body -> there.stream().filter(body::equals).count() != 1)
                .count();
    }

    private int lostFiles(Client student) throws InterruptedException {
        int lost = 0;
        for (HandedIn one : handIns) {
            try {
                lost += Arrays.equals(student.bytes(one.address() + "/files/1"), one.content()) ? 0 : 1;
            } catch (IOException gone) {
                lost++;
            }
        }
        return lost;
    }
}
