package tachylim.e2e;

/** One server and one browser for all stories, since starting them is most of the time they take. */
final class Shared {

    /** Musical time may run this many times faster than the clock on the wall, for the server. */
    static final int SPEED = 400;

    /** How much faster it runs on the page of whoever wants to see each state of it, unless they hurry. */
    static final int UNHURRIED = 40;

    /** Long for a busy machine, short enough that a test that fails does not keep the others waiting. */
    static final double PATIENCE_MS = 90_000;

    /** Tests run two at a time, each process of them with a server of its own. */
    static final String FORK = System.getProperty("tachylim.fork", "1");

    static final App APP;
    static final Browsing BROWSING;
    static final Windows WINDOWS;

    static {
        APP = App.start("e2e_" + FORK, SPEED);
        BROWSING = new Browsing();
        WINDOWS = new Windows(BROWSING, APP);
        Runtime.getRuntime().addShutdownHook(new Thread(APP::close));
    }

    private Shared() {}

    /** Somebody with a window in which nobody is signed in. */
    static Musician stranger() {
        return new Musician(WINDOWS.taken());
    }

    /** Somebody who has just registered. */
    static Musician somebodyNew() {
        return stranger().registered();
    }

    /** Somebody with the first pass of the first workout before them. */
    static Musician somebodyPlaying() {
        return somebodyNew().atTheFirstPass(UNHURRIED);
    }

    /** The same, in a hurry: for whoever only waits for the passes to be over. */
    static Musician somebodyPlayingFast() {
        return somebodyNew().atTheFirstPass(SPEED);
    }
}
