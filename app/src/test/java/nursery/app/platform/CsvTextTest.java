package nursery.app.platform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.util.List;
import nursery.core.measure.InvalidInput;
import org.apache.commons.csv.CSVRecord;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class CsvTextTest {

    @ParameterizedTest
    @ValueSource(
            strings = {
                "name,count\nBell,2\n",
                "name;count\r\nBell;2\r\n",
                "name\tcount\nBell\t2",
                "\ufeffname,count\n\n Bell , 2 \n"
            })
    void theSameRowsComeOutWhateverPartsThem(String text) throws IOException {
        try (CsvText file = CsvText.open(text)) {
            List<CSVRecord> rows = file.parser().getRecords();

            assertThat(rows).hasSize(2);
            assertThat(rows.get(0).toList()).containsExactly("name", "count");
            assertThat(rows.get(1).toList()).containsExactly("Bell", "2");
        }
    }

    @Test
    void aQuotedCellMayHoldWhatPartsTheOthersAndBreaks() throws IOException {
        // RFC 4180, section 2, rules 6 and 7.
        try (CsvText file = CsvText.open("name;note\n\"Bell; brass\";\"two\nlines, and a \"\"quote\"\"\"\n")) {
            assertThat(file.delimiter()).isEqualTo(';');
            assertThat(file.parser().getRecords().get(1).toList())
                    .containsExactly("Bell; brass", "two\nlines, and a \"quote\"");
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"", " ", "\n\n", "\ufeff"})
    void aFileOfNothingIsToldToBeEmpty(String text) {
        assertThatThrownBy(() -> CsvText.open(text))
                .isInstanceOf(InvalidInput.class)
                .satisfies(e -> assertThat(((InvalidInput) e).faults())
                        .singleElement()
                        .satisfies(fault -> assertThat(fault.message()).isEqualTo("The file is empty.")));
    }

    @ParameterizedTest
    @ValueSource(strings = {"=1+1", "+49", "-2", "@sum", "\tx", "=a\nb"})
    void whatASpreadsheetWouldReckonIsDisarmed(String cell) {
        assertThat(CsvText.safe(cell)).isEqualTo("'" + cell);
    }

    @ParameterizedTest
    @ValueSource(strings = {"Bell", "2 - 3", "", "a=b"})
    void otherTextStaysAsItIs(String cell) {
        assertThat(CsvText.safe(cell)).isEqualTo(cell);
    }

    /** The library names itself and its parts; a maker is told the line and what to look for. */
    @Test
    void whatCannotBeReadIsToldWithoutTheLibrarysOwnWords() throws IOException {
        try (CsvText file = CsvText.open("name,count\nBell,\"2\n")) {
            assertThatThrownBy(() -> file.parser().getRecords())
                    .satisfies(e -> assertThat(CsvText.whatIsWrong((Exception) e))
                            .matches("The file breaks off or is not CSV at line \\d+: a quote is opened.*")
                            .doesNotContain("EOF")
                            .doesNotContain("token")
                            .doesNotContain("apache"));
        }
    }
}
