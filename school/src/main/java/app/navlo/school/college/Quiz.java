package app.navlo.school.college;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Questions that are answered on the course site, each worth the same.
 *
 * @param questions none for what isn't taken there
 */
record Quiz(List<Question> questions) {
    private static final int FEW = 5;
    private static final JsonMapper JSON = JsonMapper.builder().build();

    /** @param wrong answers that are offered beside the right one */
    record Question(String words, String right, List<String> wrong) {
        /** All that are offered, in an order that is the same for the same attempt. */
        List<String> offered(int attempt) {
            List<String> all = new ArrayList<>(wrong);
            all.add(right);
            Collections.shuffle(all, new Random(31L * words.hashCode() + attempt));
            return all;
        }
    }

    /** The first few, each with a wrong answer: what a teacher shows who doesn't know what was answered. */
    List<CollegeFiles.Question> some() {
        return questions.stream()
                .limit(FEW)
                .map(one -> new CollegeFiles.Question(
                        one.words(), one.right(), one.wrong().get(0)))
                .toList();
    }

    boolean isEmpty() {
        return questions.isEmpty();
    }

    /** The numbers from 1 of the questions that have no answer among those that are offered. */
    List<Integer> unanswered(List<String> given) {
        List<Integer> without = new ArrayList<>();
        for (int at = 0; at < questions.size(); at++) {
            if (given.get(at).isEmpty()) {
                without.add(at + 1);
            }
        }
        return without;
    }

    /** @param given an answer for each question, empty for none */
    BigDecimal points(List<String> given, BigDecimal possible) {
        int right = 0;
        for (int at = 0; at < questions.size(); at++) {
            right += questions.get(at).right().equals(given.get(at)) ? 1 : 0;
        }
        return possible.multiply(BigDecimal.valueOf(right))
                .divide(BigDecimal.valueOf(questions.size()), 1, RoundingMode.HALF_UP)
                .stripTrailingZeros();
    }

    /** The body of a hand-in. */
    static ObjectNode handIn(List<String> given) {
        ObjectNode body = JSON.createObjectNode();
        ArrayNode answers = body.putArray("answers");
        given.forEach(answers::add);
        return body;
    }

    /** What was answered beside what was wanted, as it is released. */
    ArrayNode released(JsonNode given, BigDecimal possible) {
        BigDecimal each = possible.divide(BigDecimal.valueOf(questions.size()), 2, RoundingMode.HALF_UP);
        ArrayNode answers = JSON.createArrayNode();
        for (int at = 0; at < questions.size(); at++) {
            Question question = questions.get(at);
            String answer = given.path(at).asString("");
            answers.addObject()
                    .put("question", question.words())
                    .put("given", answer.isEmpty() ? "No answer" : answer)
                    .put("wanted", question.right())
                    .put("points", question.right().equals(answer) ? each : BigDecimal.ZERO)
                    .put("of", each);
        }
        return answers;
    }
}
