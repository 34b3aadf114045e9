package tachylim.server;

/** How much work something is: seconds of the processor, which are the same however busy a machine is. */
public final class Work {

    private Work() {}

    /** Seconds that this process has had of the processors so far. */
    public static double seconds() {
        return ProcessHandle.current().info().totalCpuDuration().orElseThrow().toNanos() / 1e9;
    }
}
