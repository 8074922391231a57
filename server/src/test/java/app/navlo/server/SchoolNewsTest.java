package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** What teachers do in a day, told by the school. */
public class SchoolNewsTest extends SchoolServer {
    @Test
    public void whatTheTeachersDoArrivesAndIsUndoneAndStaysAway() {
        TestClient mira = settled();
        int before = titles(mira).size();
        on(mira, 24);
        String news = ask(mira, SITE).json().get("news").asString();
        assertTrue(news.contains("score") && news.contains("1 new piece of work"), news);
        assertTrue(titles(mira).contains("Worksheet 11: frost and structure"));
        int many = titles(mira).size();
        assertEquals(many, before + 1);
        assertEquals(ask(mira, SITE).json().get("news").asString(), NO_NEWS);
        long id = link(mira, SITE).get("id").asLong();
        JsonNode imports = mira.get(LINKS + "/" + id + "/imports").json();
        assertEquals(imports.get(0).get("added").asInt(), many - before, news);
        long undoing = undone(mira, imports.get(0).get("change").asLong());
        assertEquals(titles(mira).size(), before);
        ask(mira, SITE);
        assertEquals(titles(mira).size(), before, "what was undone isn't brought again");
        undone(mira, undoing);
        assertEquals(titles(mira).size(), many);
    }
}
