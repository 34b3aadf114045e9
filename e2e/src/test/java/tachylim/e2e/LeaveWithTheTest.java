package tachylim.e2e;

import com.microsoft.playwright.BrowserContext;
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

    private static final List<BrowserContext> OPEN = new ArrayList<>();
    private static int before;

    static void opened(BrowserContext context) {
        OPEN.add(context);
    }

    @Override
    public void preConstructTestInstance(TestInstanceFactoryContext factory, ExtensionContext context) {
        before = OPEN.size();
    }

    @Override
    public void afterEach(ExtensionContext context) {
        List<BrowserContext> leaving = OPEN.subList(before, OPEN.size());
        leaving.forEach(BrowserContext::close);
        leaving.clear();
    }
}
