package embrick.server.profiles;

import embrick.formats.icc.ProfileFacts;
import embrick.formats.icc.ProfileShelf;
import embrick.formats.icc.ShippedProfile;
import embrick.formats.icc.UnusableProfileException;
import embrick.server.problems.ProblemException;
import java.time.Clock;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;

/** Which profiles there are: those that ship with Embrick, and those that were added. */
@Service
class ProfileService {
    private final ProfileRepository profiles;
    private final ProfileShelf shelf;
    private final Clock clock;

    ProfileService(ProfileRepository profiles, ProfileShelf shelf, Clock clock) {
        this.profiles = profiles;
        this.shelf = shelf;
        this.clock = clock;
    }

    /** Digests of those that ship, then of those that were added, by name. */
    List<String> digests() {
        return Stream.concat(
                        Arrays.stream(ShippedProfile.values()).map(ShippedProfile::digest),
                        profiles.findAllByOrderByName().stream().map(ProfileEntity::digest))
                .toList();
    }

    /** @throws UnusableProfileException if it was looked through and cannot be used */
    ProfileFacts add(byte[] bytes) throws UnusableProfileException {
        ProfileFacts facts = shelf.take(bytes);
        if (ShippedProfile.of(facts.digest()).isEmpty() && !profiles.existsById(facts.digest())) {
            profiles.save(new ProfileEntity(facts.digest(), facts.name(), clock.instant()));
        }
        return facts;
    }

    /** Tickets and pieces that use it keep its bytes. */
    void delete(String digest) {
        if (ShippedProfile.of(digest).isPresent()) {
            throw ProblemException.invalid(
                    "shipped-profile",
                    "profile",
                    "This profile ships with Embrick and stays.",
                    "Only profiles that were added can be deleted.");
        }
        profiles.deleteById(digest);
    }
}
