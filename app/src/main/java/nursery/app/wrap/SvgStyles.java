package nursery.app.wrap;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import nursery.core.measure.InvalidInput;
import org.apache.batik.anim.dom.SVGDOMImplementation;
import org.apache.batik.anim.dom.SVGOMDocument;
import org.apache.batik.css.engine.CSSContext;
import org.apache.batik.css.engine.CSSEngine;
import org.apache.batik.css.engine.CSSEngineUserAgent;
import org.apache.batik.css.engine.CSSStylableElement;
import org.apache.batik.css.engine.value.ShorthandManager;
import org.apache.batik.css.engine.value.Value;
import org.apache.batik.css.engine.value.ValueConstants;
import org.apache.batik.css.engine.value.ValueManager;
import org.apache.batik.css.parser.Parser;
import org.apache.batik.util.ParsedURL;
import org.w3c.css.sac.CSSParseException;
import org.w3c.css.sac.ErrorHandler;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.NamedNodeMap;
import org.w3c.dom.Node;

/**
 * A drawing as the SVG library's document, and what its attributes, style attributes and style sheets come to for each
 * element: the library's own cascade (CSS 2.1, chapter 6). Nothing outside of the file is ever asked for.
 */
final class SvgStyles {

    static final int DEEPEST = 60;

    /** Under another name, since the library takes an attribute of a property's name for a style, with other words. */
    private static final String TRANSFORM = "nursery-transform";

    private static final Pattern AT_RULE = Pattern.compile("@(?:import|charset|namespace)[^;]*;");
    /** What CSS has learned since the library's: the same colour in words that it knows. */
    private static final Pattern NEWER_COLOUR = Pattern.compile(
            "(?i)(?:rgba?|hsla?)\\([^)]*\\)|(?<!url\\()(?:#[0-9a-f]{8}|#[0-9a-f]{4})\\b|\\brebeccapurple\\b");

    private static final Pattern TRANSPARENT = Pattern.compile("(?i)(?<=:|^)\\s*transparent\\b");
    private static final Pattern PERCENT_OPAQUE = Pattern.compile("(?i)(?<=opacity:)\\s*(\\d{1,9}(?:\\.\\d{0,9})?)%");
    private static final Pattern BLOCK = Pattern.compile("\\{[^{}]*\\}");
    private static final Set<String> STYLED =
            Set.of("style", "fill", "stroke", "color", "opacity", "fill-opacity", "stroke-opacity");

    private final SVGOMDocument document;
    private final CSSEngine engine;
    private boolean passedOver;

    /** @throws InvalidInput if it is no drawing, or its groups lie too deep */
    SvgStyles(Document parsed) {
        Element root = parsed.getDocumentElement();
        SvgShapes.refuseIf(
                !"svg".equals(name(root)), "The file is not SVG: it begins with <%s>.".formatted(name(root)));
        SVGDOMImplementation library = new SVGDOMImplementation();
        document = (SVGOMDocument) library.createDocument(SVGDOMImplementation.SVG_NAMESPACE_URI, "svg", null);
        // It has no address, and the library wants one to tell where a fault is.
        document.setDocumentURI("data:,");
        copy(root, document.getDocumentElement(), 0);
        Parser parser = new Parser();
        parser.setErrorHandler(new Passing());
        engine = library.createCSSEngine(
                document, new Alone(), parser, new ValueManager[] {new SvgTransform()}, new ShorthandManager[0]);
        document.setCSSEngine(engine);
        engine.setMedia("screen");
        engine.setCSSEngineUserAgent(new CSSEngineUserAgent() {
            @Override
            public void displayError(Exception e) {
                passedOver = true;
            }

            @Override
            public void displayMessage(String message) {
                passedOver = true;
            }
        });
    }

    static String name(Element element) {
        return Optional.ofNullable(element.getLocalName()).orElse(element.getTagName());
    }

    Element root() {
        return document.getDocumentElement();
    }

    Optional<Element> find(String id) {
        return Optional.ofNullable(document.getElementById(id));
    }

    /** Whether something of its style sheets was not understood. */
    boolean isPassedOver() {
        return passedOver;
    }

    /** What a property is for an element, inherited where it is. */
    String of(Element element, String property) {
        if (!(element instanceof CSSStylableElement styled)) {
            return "";
        }
        Value value = engine.getComputedStyle(styled, null, engine.getPropertyIndex(property));
        return value.getCssText();
    }

    /** Whether a property that is none unless it is set is set. */
    boolean isSet(Element element, String property) {
        return !List.of("", "none").contains(of(element, property));
    }

    /** How an element is moved: as its style says, or else its attribute. */
    String transform(Element element) {
        return isSet(element, SvgTransform.NAME) ? of(element, SvgTransform.NAME) : element.getAttribute(TRANSFORM);
    }

    /** What draws nothing is left behind: what other programs keep for themselves. */
    private void copy(Element from, Element to, int depth) {
        SvgShapes.refuseIf(depth > DEEPEST, "Its groups lie more than %d deep: ungroup them.".formatted(DEEPEST));
        NamedNodeMap attributes = from.getAttributes();
        for (int i = 0; i < attributes.getLength(); i++) {
            Node attribute = attributes.item(i);
            String name = attribute.getNodeName();
            if (name.equals("href") || name.endsWith(":href")) {
                to.setAttribute("href", attribute.getNodeValue());
            } else if (!name.contains(":") && !name.equals("xmlns")) {
                to.setAttribute(
                        name.equals(SvgTransform.NAME) ? TRANSFORM : name, plain(name, attribute.getNodeValue()));
            }
        }
        for (Node child = from.getFirstChild(); child != null; child = child.getNextSibling()) {
            if (child instanceof Element element && isDrawing(element)) {
                Element fresh = document.createElementNS(SVGDOMImplementation.SVG_NAMESPACE_URI, name(element));
                copy(element, fresh, depth + 1);
                to.appendChild(fresh);
            }
        }
        if (name(from).equals("style")) {
            String rules = from.getTextContent().replace("<!--", " ").replace("-->", " ");
            passedOver |= AT_RULE.matcher(rules).find();
            to.appendChild(
                    document.createTextNode(BLOCK.matcher(AT_RULE.matcher(rules).replaceAll(" "))
                            .replaceAll(found -> Matcher.quoteReplacement(plain(found.group())))));
        }
    }

    private static boolean isDrawing(Element element) {
        String namespace = element.getNamespaceURI();
        return namespace == null || namespace.equals(SVGDOMImplementation.SVG_NAMESPACE_URI);
    }

    private static String plain(String attribute, String value) {
        if (!STYLED.contains(attribute)) {
            return value;
        }
        return attribute.endsWith("opacity") && value.strip().endsWith("%")
                ? plain("opacity:" + value.strip()).substring("opacity:".length())
                : plain(value);
    }

    /** What a style says, in the words of CSS 2.1; what an id or an address says is left as it is. */
    private static String plain(String style) {
        String coloured = NEWER_COLOUR
                .matcher(style)
                .replaceAll(found ->
                        Matcher.quoteReplacement(SvgColour.of(found.group()).orElse(found.group())));
        return PERCENT_OPAQUE
                .matcher(TRANSPARENT.matcher(coloured).replaceAll("none"))
                .replaceAll(found -> String.valueOf(Double.parseDouble(found.group(1)) / 100));
    }

    /** A rule that is not understood is passed over, and told. */
    private final class Passing implements ErrorHandler {
        @Override
        public void warning(CSSParseException e) {
            passedOver = true;
        }

        @Override
        public void error(CSSParseException e) {
            passedOver = true;
        }

        @Override
        public void fatalError(CSSParseException e) {
            passedOver = true;
        }
    }

    /** What the library would ask of a window; there is none. */
    private static final class Alone implements CSSContext {
        private static final float USUAL_FONT = 16;
        private static final float MM_PER_PX = 25.4f / 96;

        @Override
        public Value getSystemColor(String name) {
            return ValueConstants.BLACK_RGB_VALUE;
        }

        @Override
        public Value getDefaultFontFamily() {
            return ValueConstants.SANS_SERIF_VALUE;
        }

        @Override
        public float getLighterFontWeight(float weight) {
            return weight;
        }

        @Override
        public float getBolderFontWeight(float weight) {
            return weight;
        }

        @Override
        public float getPixelUnitToMillimeter() {
            return MM_PER_PX;
        }

        @Override
        public float getPixelToMillimeter() {
            return MM_PER_PX;
        }

        @Override
        public float getMediumFontSize() {
            return USUAL_FONT;
        }

        @Override
        public float getBlockWidth(Element element) {
            return 0;
        }

        @Override
        public float getBlockHeight(Element element) {
            return 0;
        }

        @Override
        public void checkLoadExternalResource(ParsedURL resource, ParsedURL document) {
            throw new SecurityException("Nothing outside of the file is read.");
        }

        @Override
        public boolean isDynamic() {
            return false;
        }

        @Override
        public boolean isInteractive() {
            return false;
        }

        @Override
        public CSSEngine getCSSEngineForElement(Element element) {
            return ((SVGOMDocument) element.getOwnerDocument()).getCSSEngine();
        }
    }
}
