package app.navlo.server;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.function.IntFunction;
import java.util.stream.IntStream;

/** The same pressed in many tabs at the same moment. */
final class AtOnce {
    private AtOnce() {}

    static List<TestClient.Answer> press(int times, IntFunction<TestClient.Answer> press) throws Exception {
        ExecutorService tabs = Executors.newFixedThreadPool(times);
        List<Callable<TestClient.Answer>> presses = IntStream.range(0, times)
                .mapToObj(i -> (Callable<TestClient.Answer>) () -> press.apply(i))
                .toList();
        List<TestClient.Answer> answers = new ArrayList<>();
        for (Future<TestClient.Answer> answer : tabs.invokeAll(presses)) {
            answers.add(answer.get());
        }
        tabs.shutdown();
        return answers;
    }
}
