package app.navlo.school.college;

/** What can be wrong with the school, for as long as the switch is on. */
public enum Fault {
    NONE,
    /** Cuts every connection off. */
    DOWN,
    /** Answers each request after a while. */
    SLOW,
    /** Answers when the switch is off again, or after 20 s. */
    HANGING,
    /** Stops in the middle of an answer. */
    HALF,
    /** Tells everything twice. */
    REPEAT,
    /** Answers 500. */
    ERROR,
    /** Names everything anew. */
    NEW_KEYS,
    /** Moves each due a day on and back, at every other asking. */
    MOVING_DUES,
    /** Tells of 50,000 pieces of work more. */
    MANY,
    /** Gives a zip that unpacks to 10 GB. */
    BOMB,
    /** Writes its tables in an old encoding. */
    OLD_ENCODING,
    /** Has a broken row among good ones. */
    BROKEN_ROW
}
