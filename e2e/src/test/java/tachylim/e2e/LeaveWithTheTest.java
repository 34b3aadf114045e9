package tachylim.e2e;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.extension.AfterEachCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.TestInstanceFactoryContext;
import org.junit.jupiter.api.extension.TestInstancePreConstructCallback;

/**
 * Whoever came for one test leaves when it is over: a page that stays open goes on drawing and asking, and makes everything
 * after it slower. Who came for a whole class stays as long as the class does.
 */
public final class LeaveWithTheTest implements TestInstancePreConstructCallback, AfterEachCallback {

    private static final List<Runnable> LEAVING = new ArrayList<>();
    private static int before;

    /** What is to be done when the test, or the class, is over. */
    static void then(Runnable leave) {
        LEAVING.add(leave);
    }

    @Override
    public void preConstructTestInstance(TestInstanceFactoryContext factory, ExtensionContext context) {
        before = LEAVING.size();
    }

    @Override
    public void afterEach(ExtensionContext context) {
        List<Runnable> leaving = LEAVING.subList(before, LEAVING.size());
        leaving.forEach(Runnable::run);
        leaving.clear();
    }
}
