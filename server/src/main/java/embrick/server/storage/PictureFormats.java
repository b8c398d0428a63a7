package embrick.server.storage;

import embrick.formats.DecodeLimits;
import embrick.formats.Formats;
import embrick.formats.icc.ProfileShelf;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The formats and profiles that this process works with. */
@Configuration
class PictureFormats {
    @Bean
    ProfileShelf profileShelf(Storage storage) {
        return new ProfileShelf(new KeptProfiles(storage));
    }

    @Bean
    Formats formats(ProfileShelf profiles, DecodeWatch process) {
        return new Formats(profiles, DecodeLimits.DEFAULT, process.scratch());
    }

    /** Whoever plans a caption needs its length, not its letters. */
    @Bean
    WordMeasure wordMeasure(Formats formats) {
        return formats.font()::measured;
    }
}
