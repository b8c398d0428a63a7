package embrick.formats;

import embrick.core.plan.Plan;
import embrick.formats.exif.ColourTag;
import embrick.formats.icc.ProfileShelf;
import embrick.formats.icc.ShippedProfile;
import embrick.formats.metadata.Carrying;
import embrick.formats.metadata.OriginalMetadata;
import embrick.formats.picture.PrintFile;

/** What a plan's file says besides its pixels. */
record PrintMarks(ProfileShelf profiles) {
    /** Without what its original says. */
    PrintFile of(Plan plan) {
        return of(plan, OriginalMetadata.NONE);
    }

    PrintFile of(Plan plan, OriginalMetadata original) {
        boolean srgb = profiles.digest(plan.colour().to()).equals(ShippedProfile.SRGB.digest());
        return new PrintFile(
                plan.marked(),
                profiles.bytes(plan.colour().to()),
                srgb ? ColourTag.SRGB : ColourTag.UNCALIBRATED,
                Carrying.of(original, plan.metadata()));
    }
}
