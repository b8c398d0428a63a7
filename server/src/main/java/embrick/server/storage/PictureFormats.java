package embrick.server.storage;

import embrick.formats.Book;
import embrick.formats.ContactSheet;
import embrick.formats.Formats;
import embrick.formats.Prints;
import embrick.formats.Retagging;
import embrick.formats.ScreenPictures;
import embrick.formats.Sheets;
import embrick.formats.TrialStrip;
import embrick.formats.crew.Crew;
import embrick.formats.icc.ProfileShelf;
import embrick.formats.picture.DecodeLimits;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The formats and profiles that this process works with. */
@Configuration
class PictureFormats {
    @Bean
    ProfileShelf profileShelf(Storage storage) {
        return new ProfileShelf(new KeptProfiles(storage));
    }

    /** One for all that works on pictures in this process. */
    @Bean
    Crew crew() {
        return Crew.ofMachine();
    }

    @Bean
    Formats formats(ProfileShelf profiles, DecodeWatch process, Crew crew) {
        return new Formats(profiles, DecodeLimits.DEFAULT, process.scratch(), crew);
    }

    @Bean
    Prints prints(ProfileShelf profiles, KeptStencils stencils) {
        return new Prints(profiles, stencils);
    }

    @Bean
    ScreenPictures screenPictures(ProfileShelf profiles, Prints prints, Crew crew) {
        return new ScreenPictures(profiles, prints, crew);
    }

    @Bean
    Retagging remarking(ProfileShelf profiles) {
        return new Retagging(profiles);
    }

    @Bean
    Book book(ProfileShelf profiles, DecodeWatch process) {
        return new Book(profiles, process.scratch());
    }

    @Bean
    Sheets sheets(ProfileShelf profiles, DecodeWatch process) {
        return new Sheets(profiles, process.scratch());
    }

    @Bean
    TrialStrip trialStrip(Formats formats, Prints prints, Sheets sheets) {
        return new TrialStrip(formats, prints, sheets);
    }

    @Bean
    ContactSheet contactSheet(Formats formats, Prints prints, DecodeWatch process) {
        return new ContactSheet(formats, prints.font(), process.scratch());
    }

    /** Whoever plans a caption needs its length, not its letters. */
    @Bean
    WordMeasure wordMeasure(Prints prints) {
        return prints.font()::measured;
    }
}
