package tachylim.browser.compile;

import org.teavm.model.BasicBlock;
import org.teavm.model.ClassHolder;
import org.teavm.model.ClassHolderTransformer;
import org.teavm.model.ClassHolderTransformerContext;
import org.teavm.model.Instruction;
import org.teavm.model.MethodHolder;
import org.teavm.model.instructions.AssignInstruction;
import org.teavm.model.instructions.InvokeInstruction;
import org.teavm.vm.spi.TeaVMHost;
import org.teavm.vm.spi.TeaVMPlugin;

/**
 * Takes the formatting out of the messages of libraries while the core is compiled for the page. They are those of faults that
 * nobody reads there, and by them alone the page would carry a formatter of numbers for every country: a tenth of its
 * weight. What the core itself formats stays.
 */
public final class PlainExceptions implements TeaVMPlugin, ClassHolderTransformer {

    private static final String OWN = "tachylim.";

    @Override
    public void install(TeaVMHost host) {
        host.add(this);
    }

    @Override
    public void transformClass(ClassHolder type, ClassHolderTransformerContext context) {
        if (!type.getName().startsWith(OWN)) {
            type.getMethods().stream()
                    .filter(method -> method.getProgram() != null)
                    .forEach(PlainExceptions::formatNothing);
        }
    }

    /** The pattern stands for what would have been made of it. */
    private static void formatNothing(MethodHolder method) {
        for (BasicBlock block : method.getProgram().getBasicBlocks()) {
            for (Instruction instruction : block) {
                if (instruction instanceof InvokeInstruction call
                        && call.getMethod().getClassName().equals("java.lang.String")
                        && call.getMethod().getName().equals("format")
                        && call.getMethod().parameterType(0).isObject("java.lang.String")) {
                    AssignInstruction pattern = new AssignInstruction();
                    pattern.setReceiver(call.getReceiver());
                    pattern.setAssignee(call.getArguments().get(0));
                    call.replace(pattern);
                }
            }
        }
    }
}
