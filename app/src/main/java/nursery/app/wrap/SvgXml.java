package nursery.app.wrap;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.StringReader;
import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import nursery.core.measure.InvalidInput;
import org.w3c.dom.Document;
import org.xml.sax.ErrorHandler;
import org.xml.sax.SAXException;
import org.xml.sax.SAXParseException;

/** SVG as XML with nothing outside of it: no entity, no other file, no address. */
final class SvgXml {

    private SvgXml() {}

    /** @throws InvalidInput if it is no XML, or declares what no drawing needs */
    static Document parsed(byte[] file) {
        try {
            DocumentBuilderFactory factory = DocumentBuilderFactory.newInstance();
            factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
            // A document type is where entities are declared, that grow to gigabytes or read files. Many drawing
            // programs write one that declares nothing: such a line is dropped before.
            factory.setFeature("http://apache.org/xml/features/disallow-doctype-decl", true);
            factory.setXIncludeAware(false);
            factory.setExpandEntityReferences(false);
            factory.setNamespaceAware(true);
            var builder = factory.newDocumentBuilder();
            builder.setErrorHandler(new Strict());
            builder.setEntityResolver((name, system) -> new org.xml.sax.InputSource(new StringReader("")));
            return builder.parse(new ByteArrayInputStream(withoutPlainDoctype(file)));
        } catch (SAXParseException e) {
            throw SvgShapes.refused(
                    String.valueOf(e.getMessage()).contains("DOCTYPE")
                            ? "The file declares entities, which no drawing needs: save it as plain SVG."
                            : "The file is not SVG: line %d, column %d: %s"
                                    .formatted(e.getLineNumber(), e.getColumnNumber(), e.getMessage()));
        } catch (SAXException | IOException e) {
            throw SvgShapes.refused("The file is not SVG: " + e.getMessage());
        } catch (ParserConfigurationException e) {
            throw new IllegalStateException(e);
        }
    }

    private static byte[] withoutPlainDoctype(byte[] file) {
        String head = new String(file, 0, Math.min(file.length, 2048), java.nio.charset.StandardCharsets.ISO_8859_1);
        int from = head.indexOf("<!DOCTYPE");
        int to = from < 0 ? -1 : head.indexOf('>', from);
        if (from < 0 || to < 0 || head.substring(from, to).contains("[")) {
            return file;
        }
        byte[] without = file.clone();
        java.util.Arrays.fill(without, from, to + 1, (byte) ' ');
        return without;
    }

    private static final class Strict implements ErrorHandler {
        @Override
        public void warning(SAXParseException e) {}

        @Override
        public void error(SAXParseException e) throws SAXException {
            throw e;
        }

        @Override
        public void fatalError(SAXParseException e) throws SAXException {
            throw e;
        }
    }
}
