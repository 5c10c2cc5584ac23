package jollyroster.platform;

import java.util.Set;
import org.springframework.stereotype.Component;
import org.thymeleaf.context.ITemplateContext;
import org.thymeleaf.dialect.AbstractProcessorDialect;
import org.thymeleaf.engine.AttributeName;
import org.thymeleaf.model.IProcessableElementTag;
import org.thymeleaf.processor.IProcessor;
import org.thymeleaf.processor.element.AbstractAttributeTagProcessor;
import org.thymeleaf.processor.element.IElementTagStructureHandler;
import org.thymeleaf.standard.expression.StandardExpressions;
import org.thymeleaf.templatemode.TemplateMode;

/**
 * {@code piece:write} puts a piece of {@link Pieces} in the place of its element, as it is. {@code th:utext} would read the
 * markup as a template each time, which takes longer than writing it.
 */
@Component
class PieceDialect extends AbstractProcessorDialect {

    private static final int PRECEDENCE = 1000;

    PieceDialect() {
        super("pieces", "piece", PRECEDENCE);
    }

    @Override
    public Set<IProcessor> getProcessors(String prefix) {
        return Set.of(new Write(prefix));
    }

    private static final class Write extends AbstractAttributeTagProcessor {

        Write(String prefix) {
            super(TemplateMode.HTML, prefix, null, false, "write", true, PRECEDENCE, true);
        }

        @Override
        protected void doProcess(
                ITemplateContext context,
                IProcessableElementTag tag,
                AttributeName attribute,
                String value,
                IElementTagStructureHandler structure) {
            Object markup = StandardExpressions.getExpressionParser(context.getConfiguration())
                    .parseExpression(context, value)
                    .execute(context);
            structure.replaceWith(String.valueOf(markup), false);
        }
    }
}
