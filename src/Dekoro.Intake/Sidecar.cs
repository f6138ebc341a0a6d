using System.Xml;
using Dekoro.Core.Media;
using XmpCore;
using XmpCore.Options;

namespace Dekoro.Intake;

/// <summary>
/// A picture's words in a file beside it (XMP, ISO 16684-1), by Dublin Core and IPTC properties; what has none there,
/// by properties of our own.
/// </summary>
public static class Sidecar
{
    private const string Dc = XmpConstants.NsDC,
        Iptc = XmpConstants.NsIptccore,
        Own = "https://dekoro.invalid/ns/words/1.0/",
        OwnPrefix = "dekoro";
    private const string AltProperty = "AltTextAccessibility",
        AnyLanguage = "x-default";

    static Sidecar() => XmpMetaFactory.SchemaRegistry.RegisterNamespace(Own, OwnPrefix);

    /// <param name="words">What is known already; what the sidecar says replaces it.</param>
    /// <exception cref="UnreadableException">Damaged, or it holds a document type, which no sidecar needs.</exception>
    public static PictureMetadata Read(byte[] xmp, PictureMetadata words)
    {
        try
        {
            // Read once by a reader that allows no document type, so that no entity is ever expanded.
            using (
                var safe = XmlReader.Create(
                    new MemoryStream(xmp),
                    new XmlReaderSettings { DtdProcessing = DtdProcessing.Prohibit, XmlResolver = null }
                )
            )
            {
                while (safe.Read()) { }
            }
            var found = XmpMetaFactory
                .ParseFromBuffer(xmp)
                .Properties.Where(p => p.Path is not null && !string.IsNullOrWhiteSpace(p.Value))
                .ToLookup(p => p.Path!, p => p.Value!.Trim());
            string First(string otherwise, params string[] paths) =>
                paths.SelectMany(p => found[p]).FirstOrDefault() ?? otherwise;
            var keywords = found
                .Where(p => p.Key.StartsWith("dc:subject[", StringComparison.Ordinal) && p.Key.EndsWith(']'))
                .SelectMany(p => p)
                .ToList();
            return words with
            {
                Title = First(words.Title, "dc:title[1]"),
                Alt = First(words.Alt, $"Iptc4xmpCore:{AltProperty}[1]"),
                Caption = First(words.Caption, "dekoro:caption"),
                Description = First(words.Description, "dc:description[1]"),
                Credit = found
                    .Where(p => p.Key.EndsWith(":Credit", StringComparison.Ordinal))
                    .SelectMany(p => p)
                    .FirstOrDefault()
                    ?? First(words.Credit, "dc:creator[1]"),
                Rights = First(words.Rights, "dc:rights[1]"),
                Source = First(words.Source, "dc:source"),
                Folder = First(words.Folder, "dekoro:folder"),
                Keywords = keywords.Count > 0 ? string.Join(", ", keywords) : words.Keywords,
            };
        }
        catch (Exception e) when (e is XmlException or XmpException)
        {
            throw new UnreadableException(
                "Its words cannot be read (it is damaged, or holds what no sidecar needs): the picture comes "
                    + "without them.",
                e
            );
        }
    }

    /// <summary>UTF-8; what is empty is not written.</summary>
    public static byte[] Write(PictureMetadata words)
    {
        var xmp = XmpMetaFactory.Create();
        void Text(string space, string name, string value)
        {
            if (value.Length > 0)
                xmp.SetProperty(space, name, Allowed(value));
        }
        void InWords(string space, string name, string value)
        {
            if (value.Length > 0)
                xmp.SetLocalizedText(space, name, "", AnyLanguage, Allowed(value));
        }
        InWords(Dc, "title", words.Title);
        InWords(Dc, "description", words.Description);
        InWords(Dc, "rights", words.Rights);
        InWords(Iptc, AltProperty, words.Alt);
        if (words.Credit.Length > 0)
            xmp.AppendArrayItem(
                Dc,
                "creator",
                new PropertyOptions { IsArray = true, IsArrayOrdered = true },
                Allowed(words.Credit),
                null
            );
        Text(Own, "caption", words.Caption);
        Text(Own, "folder", words.Folder);
        Text(Dc, "source", words.Source);
        foreach (var keyword in words.SplitKeywords())
            xmp.AppendArrayItem(Dc, "subject", new PropertyOptions { IsArray = true }, Allowed(keyword), null);
        return XmpMetaFactory.SerializeToBuffer(
            xmp,
            new SerializeOptions { OmitPacketWrapper = true, UseCompactFormat = false }
        );
    }

    /// <summary>XML 1.0 has no way to write most control characters, and no word needs one.</summary>
    private static string Allowed(string text) =>
        new([
            .. text.Where(
                (c, i) => c is '\n' or '\t' || !char.IsControl(c) && XmlConvert.IsXmlChar(c) || IsInPair(text, i)
            ),
        ]);

    private static bool IsInPair(string text, int i) =>
        char.IsSurrogate(text[i])
        && (
            i + 1 < text.Length && char.IsSurrogatePair(text[i], text[i + 1])
            || i > 0 && char.IsSurrogatePair(text[i - 1], text[i])
        );
}
