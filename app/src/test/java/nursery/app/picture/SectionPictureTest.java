package nursery.app.picture;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import nursery.app.platform.Show;
import nursery.core.measure.Clock;
import nursery.core.measure.LengthUnit;
import nursery.core.measure.TemperatureUnit;
import nursery.core.measure.VolumeUnit;
import nursery.core.technique.StepKind;
import org.junit.jupiter.api.Test;

/** A wall in section: whatever lies there and whatever it is called, no words lie on others or outside. */
class SectionPictureTest {

    private static final Show SHOW = new Show(
            LengthUnit.values()[0], VolumeUnit.ML, TemperatureUnit.C, ZoneOffset.UTC, Clock.values()[0], Instant.EPOCH);
    /** A line of letters is so high. */
    private static final double LINE_PX = 15;

    private static SectionPicture.Layer layer(Random random) {
        boolean isCoat = random.nextBoolean();
        return new SectionPicture.Layer(
                isCoat ? StepKind.THIN_COAT : StepKind.VINYL,
                "m".repeat(1 + random.nextInt(80)),
                isCoat ? Optional.of(random.nextDouble()) : Optional.empty(),
                random.nextBoolean() ? "" : "n".repeat(1 + random.nextInt(60)),
                List.of());
    }

    @Test
    void noWordsLieOnOthersOrOutside() {
        Random random = new Random(20261201);
        for (int trial = 0; trial < 500; trial++) {
            List<SectionPicture.Layer> layers = new ArrayList<>();
            for (int i = 0; i < random.nextInt(25); i++) {
                layers.add(layer(random));
            }
            SectionPicture picture = SectionPicture.of(layers, SHOW);
            assertThat(picture.bands()).hasSize(layers.size() + 1);
            double below = picture.heightPx() + LINE_PX;
            for (SectionPicture.Band band : picture.bands()) {
                double foot = band.more().isEmpty() ? band.wordsY() : band.moreY();
                assertThat(foot).isLessThanOrEqualTo(below - LINE_PX);
                assertThat(band.wordsY()).isGreaterThanOrEqualTo(LINE_PX);
                assertThat(band.y()).isGreaterThanOrEqualTo(0);
                assertThat(band.y() + band.height()).isLessThanOrEqualTo(picture.heightPx());
                assertThat(band.words().length())
                        .isLessThanOrEqualTo(band.thickness().isEmpty() ? 42 : 32);
                below = band.wordsY();
            }
        }
    }
}
