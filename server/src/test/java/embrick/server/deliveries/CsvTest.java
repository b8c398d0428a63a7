package embrick.server.deliveries;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class CsvTest {
    @Test
    void fieldsAreQuotedAsRfc4180Asks() {
        assertThat(Csv.line("a", "b,c", "say \"so\"", "two\nlines", 7))
                .isEqualTo("a,\"b,c\",\"say \"\"so\"\"\",\"two\nlines\",7\r\n");
    }

    @Test
    void aNameIsNeverAFormula() {
        assertThat(Csv.field("=1+1.jpg")).isEqualTo("'=1+1.jpg");
        assertThat(Csv.field("@x")).isEqualTo("'@x");
        // Full-width signs, which some spreadsheets take for the narrow ones.
        assertThat(Csv.field("\uff1d1+1.jpg")).isEqualTo("'\uff1d1+1.jpg");
        assertThat(Csv.field("\uff20x")).isEqualTo("'\uff20x");
        assertThat(Csv.field("\r=1")).isEqualTo("\"'\r=1\"");
    }
}
