package nursery.app.wrap;

import org.apache.batik.css.engine.CSSEngine;
import org.apache.batik.css.engine.value.AbstractValueManager;
import org.apache.batik.css.engine.value.StringValue;
import org.apache.batik.css.engine.value.Value;
import org.apache.batik.css.engine.value.ValueConstants;
import org.apache.batik.util.SVGTypes;
import org.w3c.css.sac.LexicalUnit;
import org.w3c.dom.css.CSSPrimitiveValue;

/** The property by which a style moves something, which CSS has and the library does not; as the attribute's text. */
final class SvgTransform extends AbstractValueManager {

    static final String NAME = "transform";

    @Override
    public String getPropertyName() {
        return NAME;
    }

    @Override
    public boolean isInheritedProperty() {
        return false;
    }

    @Override
    public boolean isAnimatableProperty() {
        return false;
    }

    @Override
    public boolean isAdditiveProperty() {
        return false;
    }

    @Override
    public int getPropertyType() {
        return SVGTypes.TYPE_IDENT_LIST;
    }

    @Override
    public Value getDefaultValue() {
        return ValueConstants.NONE_VALUE;
    }

    @Override
    public Value createValue(LexicalUnit first, CSSEngine engine) {
        StringBuilder text = new StringBuilder();
        for (LexicalUnit unit = first; unit != null; unit = unit.getNextLexicalUnit()) {
            if (unit.getLexicalUnitType() == LexicalUnit.SAC_INHERIT) {
                return ValueConstants.INHERIT_VALUE;
            }
            if (unit.getLexicalUnitType() == LexicalUnit.SAC_FUNCTION) {
                text.append(unit.getFunctionName()).append('(');
                append(text, unit.getParameters());
                text.append(')');
            }
        }
        return text.length() == 0
                ? ValueConstants.NONE_VALUE
                : new StringValue(CSSPrimitiveValue.CSS_IDENT, text.toString());
    }

    /** In a style a length has its unit and an angle is told in degrees; both are what the attribute means. */
    private static void append(StringBuilder text, LexicalUnit parameters) {
        for (LexicalUnit unit = parameters; unit != null; unit = unit.getNextLexicalUnit()) {
            switch (unit.getLexicalUnitType()) {
                case LexicalUnit.SAC_OPERATOR_COMMA -> text.append(',');
                case LexicalUnit.SAC_INTEGER ->
                    text.append(unit.getIntegerValue()).append(' ');
                default -> text.append(unit.getFloatValue()).append(' ');
            }
        }
    }
}
