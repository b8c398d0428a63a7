package embrick.formats.metadata;

import com.adobe.internal.xmp.XMPConst;
import com.adobe.internal.xmp.XMPException;
import com.adobe.internal.xmp.XMPIterator;
import com.adobe.internal.xmp.XMPMeta;
import com.adobe.internal.xmp.XMPMetaFactory;
import com.adobe.internal.xmp.options.IteratorOptions;
import com.adobe.internal.xmp.options.ParseOptions;
import com.adobe.internal.xmp.options.PropertyOptions;
import com.adobe.internal.xmp.options.SerializeOptions;
import com.adobe.internal.xmp.properties.XMPProperty;
import com.adobe.internal.xmp.properties.XMPPropertyInfo;
import embrick.core.metadata.MetadataChoice;
import embrick.core.metadata.MetadataChoice.Private;
import embrick.core.metadata.MetadataTexts;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/**
 * Properties in XMP (ISO 16684-1).
 *
 * @param properties none where there is no packet, or it cannot be read
 */
public record XmpPacket(Optional<XMPMeta> properties, boolean isDamaged) {
    public static final XmpPacket NONE = new XmpPacket(Optional.empty(), false);

    private static final String DC = XMPConst.NS_DC;
    private static final String EXIF = XMPConst.NS_EXIF;
    private static final String ANY_LANGUAGE = "x-default";

    /** What one JPEG segment holds besides its name; of a longer packet title, caption, creators and rights are left. */
    private static final int MOST_BYTES = 65_502;

    /** Who made it, who has the rights, how to reach them. */
    private static final Set<String> CREDIT_SCHEMAS =
            Set.of(XMPConst.NS_XMP_RIGHTS, "http://ns.useplus.org/ldf/xmp/1.0/");

    private static final Set<String> CREDITS = Set.of(
            XMPConst.NS_IPTCCORE + "CreatorContactInfo",
            XMPConst.NS_PHOTOSHOP + "AuthorsPosition",
            XMPConst.NS_PHOTOSHOP + "Credit");

    /** The coded picture's layout, and how a raw picture was developed: neither holds of the new file. */
    private static final Set<String> SCHEMAS_OF_THE_FILE =
            Set.of(XMPConst.NS_TIFF, XMPConst.NS_CAMERARAW, "http://ns.adobe.com/camera-raw-saved-settings/1.0/");

    private static final Set<String> OF_THE_FILE = Set.of(
            DC + "format",
            EXIF + "PixelXDimension",
            EXIF + "PixelYDimension",
            EXIF + "ColorSpace",
            EXIF + "ComponentsConfiguration",
            EXIF + "CompressedBitsPerPixel",
            EXIF + "NativeDigest",
            XMPConst.NS_XMP + "Thumbnails",
            XMPConst.NS_PHOTOSHOP + "ICCProfile",
            XMPConst.NS_PHOTOSHOP + "ColorMode",
            "http://ns.adobe.com/xmp/note/HasExtendedXMP");

    private static final Set<String> PLACE = Set.of(
            XMPConst.NS_PHOTOSHOP + "City",
            XMPConst.NS_PHOTOSHOP + "State",
            XMPConst.NS_PHOTOSHOP + "Country",
            XMPConst.NS_IPTCCORE + "Location",
            XMPConst.NS_IPTCCORE + "CountryCode",
            XMPConst.NS_IPTCEXT + "LocationCreated",
            XMPConst.NS_IPTCEXT + "LocationShown");

    static XmpPacket read(byte[] packet) {
        try {
            // A document type could name files of this machine, or grow without end.
            ParseOptions options = new ParseOptions()
                    .setAcceptLatin1(true)
                    .setFixControlChars(true)
                    .setDisallowDoctype(true);
            return new XmpPacket(Optional.of(XMPMetaFactory.parseFromBuffer(packet, options)), false);
        } catch (XMPException | RuntimeException damaged) {
            return new XmpPacket(Optional.empty(), true);
        }
    }

    MetadataTexts texts() {
        return properties.map(XmpPacket::texts).orElse(MetadataTexts.NONE);
    }

    private static MetadataTexts texts(XMPMeta properties) {
        return new MetadataTexts(
                inAnyLanguage(properties, "title"),
                inAnyLanguage(properties, "description"),
                items(properties, "creator"),
                inAnyLanguage(properties, "rights"),
                items(properties, "subject"));
    }

    private static Optional<String> inAnyLanguage(XMPMeta properties, String name) {
        try {
            return Optional.ofNullable(properties.getLocalizedText(DC, name, null, ANY_LANGUAGE))
                    .map(XMPProperty::getValue);
        } catch (XMPException otherKind) {
            return Optional.empty();
        }
    }

    private static List<String> items(XMPMeta properties, String name) {
        List<String> items = new ArrayList<>();
        try {
            for (int i = 1; i <= properties.countArrayItems(DC, name); i++) {
                items.add(properties.getArrayItem(DC, name, i).getValue());
            }
        } catch (XMPException otherKind) {
            // Words where an array is asked for are no creators of anything.
        }
        return items;
    }

    /** @return a packet for the new file under the words that it says; empty where there is nothing to say */
    Optional<byte[]> carried(MetadataChoice choice, MetadataTexts texts) {
        try {
            XMPMeta carried = properties.map(all -> (XMPMeta) all.clone()).orElseGet(XMPMetaFactory::create);
            keep(carried, choice);
            say(carried, texts);
            byte[] packet = serialized(carried);
            if (packet.length > MOST_BYTES) {
                carried = XMPMetaFactory.create();
                say(carried, texts.withoutKeywords());
                packet = serialized(carried);
            }
            return names(carried).isEmpty() || packet.length > MOST_BYTES ? Optional.empty() : Optional.of(packet);
        } catch (XMPException impossible) {
            throw new IllegalStateException("XMP: its own properties cannot be written", impossible);
        }
    }

    private static byte[] serialized(XMPMeta properties) throws XMPException {
        // Read-only packets have no padding.
        return XMPMetaFactory.serializeToBuffer(
                properties,
                new SerializeOptions()
                        .setUseCompactFormat(true)
                        .setReadOnlyPacket(true)
                        .setIndent(""));
    }

    private record Name(String schema, String property) {
        /** Without its prefix. */
        String bare() {
            return property.substring(property.indexOf(':') + 1);
        }
    }

    private static List<Name> names(XMPMeta properties) throws XMPException {
        List<Name> names = new ArrayList<>();
        XMPIterator schemas = properties.iterator(new IteratorOptions().setJustChildren(true));
        while (schemas.hasNext()) {
            String schema = ((XMPPropertyInfo) schemas.next()).getNamespace();
            XMPIterator inSchema = properties.iterator(schema, null, new IteratorOptions().setJustChildren(true));
            while (inSchema.hasNext()) {
                String path = ((XMPPropertyInfo) inSchema.next()).getPath();
                if (path != null) {
                    names.add(new Name(schema, path));
                }
            }
        }
        return names;
    }

    private static void keep(XMPMeta properties, MetadataChoice choice) throws XMPException {
        for (Name name : names(properties)) {
            if (!isKept(name, choice)) {
                properties.deleteProperty(name.schema(), name.property());
            }
        }
    }

    private static boolean isKept(Name name, MetadataChoice choice) {
        String full = name.schema() + name.bare();
        return switch (choice.kept()) {
            case NONE -> false;
            case CREDITS -> isCredit(name, full);
            case CREDITS_AND_CAPTION -> isCredit(name, full) || full.equals(XMPConst.NS_PHOTOSHOP + "Headline");
            case ALL ->
                !SCHEMAS_OF_THE_FILE.contains(name.schema())
                        && !OF_THE_FILE.contains(full)
                        && (choice.place() == Private.KEPT || !isPlace(name, full))
                        && (choice.serialNumbers() == Private.KEPT || !isSerialNumber(name));
        };
    }

    private static boolean isCredit(Name name, String full) {
        return CREDIT_SCHEMAS.contains(name.schema()) || CREDITS.contains(full);
    }

    /** Makers of flying cameras have properties of their own for it. */
    private static boolean isPlace(Name name, String full) {
        String small = name.bare().toLowerCase(Locale.ROOT);
        return PLACE.contains(full)
                || small.contains("gps")
                || small.contains("latitude")
                || small.contains("longitude");
    }

    private static boolean isSerialNumber(Name name) {
        return name.bare().toLowerCase(Locale.ROOT).contains("serialnumber");
    }

    private static void say(XMPMeta properties, MetadataTexts texts) throws XMPException {
        sayInAnyLanguage(properties, "title", texts.title());
        sayInAnyLanguage(properties, "description", texts.caption());
        sayInAnyLanguage(properties, "rights", texts.rights());
        list(properties, "creator", texts.creators(), new PropertyOptions().setArrayOrdered(true));
        list(properties, "subject", texts.keywords(), new PropertyOptions().setArray(true));
    }

    private static void sayInAnyLanguage(XMPMeta properties, String name, Optional<String> words) throws XMPException {
        if (words.isPresent() && !words.equals(inAnyLanguage(properties, name))) {
            properties.deleteProperty(DC, name);
            properties.setLocalizedText(DC, name, null, ANY_LANGUAGE, words.get());
        }
    }

    private static void list(XMPMeta properties, String name, List<String> words, PropertyOptions kind)
            throws XMPException {
        if (!words.isEmpty()) {
            properties.deleteProperty(DC, name);
            for (String word : words) {
                properties.appendArrayItem(DC, name, kind, word, null);
            }
        }
    }
}
