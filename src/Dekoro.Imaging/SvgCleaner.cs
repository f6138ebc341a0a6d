using System.Text;
using System.Xml;
using System.Xml.Linq;

namespace Dekoro.Imaging;

/// <summary>
/// Keeps of an SVG what draws, and drops what acts or reaches out: scripts, event attributes, foreign objects,
/// animation of links, external references, document types. SVG 2; an allow list of elements, so that the unknown goes
/// too.
/// </summary>
public static class SvgCleaner
{
    private static readonly XNamespace Svg = "http://www.w3.org/2000/svg";
    private static readonly XNamespace XLink = "http://www.w3.org/1999/xlink";

    private static readonly HashSet<string> Elements =
    [
        "svg",
        "g",
        "defs",
        "symbol",
        "use",
        "title",
        "desc",
        "metadata",
        "path",
        "rect",
        "circle",
        "ellipse",
        "line",
        "polyline",
        "polygon",
        "text",
        "tspan",
        "textPath",
        "linearGradient",
        "radialGradient",
        "stop",
        "pattern",
        "clipPath",
        "mask",
        "marker",
        "image",
        "switch",
        "filter",
        "feBlend",
        "feColorMatrix",
        "feComponentTransfer",
        "feComposite",
        "feConvolveMatrix",
        "feDiffuseLighting",
        "feDisplacementMap",
        "feDistantLight",
        "feDropShadow",
        "feFlood",
        "feFuncA",
        "feFuncB",
        "feFuncG",
        "feFuncR",
        "feGaussianBlur",
        "feMerge",
        "feMergeNode",
        "feMorphology",
        "feOffset",
        "fePointLight",
        "feSpecularLighting",
        "feSpotLight",
        "feTile",
        "feTurbulence",
        "style",
    ];

    /// <returns>The cleaned file as UTF-8, and whether anything was taken out.</returns>
    /// <exception cref="XmlException">Not well-formed, or not an SVG at the root.</exception>
    public static (byte[] Cleaned, bool TookOut) Clean(Stream svg)
    {
        using var reader = XmlReader.Create(
            svg,
            new XmlReaderSettings
            {
                DtdProcessing = DtdProcessing.Ignore,
                XmlResolver = null,
                MaxCharactersInDocument = Limits.MaxSvgBytes,
                IgnoreProcessingInstructions = true,
                IgnoreComments = true,
            }
        );
        var root = XDocument.Load(reader).Root!;
        if (root.Name != Svg + "svg")
            throw new XmlException("The root is not an svg element.");
        var tookOut = false;
        foreach (var element in root.DescendantsAndSelf().ToList())
        {
            if (element.Name == Svg + "a")
            {
                // A picture leads nowhere by itself; what stands inside the link is still drawn.
                element.Name = Svg + "g";
                element.RemoveAttributes();
                tookOut = true;
            }
            if (
                element != root
                && (element.Name.Namespace != Svg || !Elements.Contains(element.Name.LocalName) || Reaches(element))
            )
            {
                if (element.Parent is null)
                    continue;
                tookOut |= element.Name.LocalName != "metadata";
                element.Remove();
                continue;
            }
            foreach (
                var attribute in element.Attributes().Where(a => !a.IsNamespaceDeclaration && !IsHarmless(a)).ToList()
            )
            {
                tookOut = true;
                attribute.Remove();
            }
        }
        using var buffer = new MemoryStream();
        using (
            var writer = XmlWriter.Create(
                buffer,
                new XmlWriterSettings { Encoding = new UTF8Encoding(false), OmitXmlDeclaration = true }
            )
        )
            root.Save(writer);
        return (buffer.ToArray(), tookOut);
    }

    /// <summary>Bitmaps alone: a drawing inside an address is a document that nobody has cleaned.</summary>
    private static readonly string[] Bitmaps =
    [
        "data:image/png",
        "data:image/jpeg",
        "data:image/webp",
        "data:image/gif",
    ];

    private static bool Reaches(XElement element) =>
        element.Name.LocalName == "style" && Outside(element.Value)
        || element.Name.LocalName == "image" && !IsBitmap(Href(element));

    private static bool IsBitmap(string? address) =>
        address is not null && Bitmaps.Any(b => address.StartsWith(b, StringComparison.OrdinalIgnoreCase));

    private static string? Href(XElement element) =>
        ((string?)element.Attribute("href") ?? (string?)element.Attribute(XLink + "href"))?.Trim();

    private static bool IsHarmless(XAttribute attribute)
    {
        var name = attribute.Name.LocalName;
        if (name.StartsWith("on", StringComparison.OrdinalIgnoreCase))
            return false;
        if (name == "href")
            return attribute.Value.Trim().StartsWith('#')
                || attribute.Parent!.Name.LocalName == "image" && IsBitmap(attribute.Value.Trim());
        return !Outside(attribute.Value);
    }

    /// <summary>CSS that loads something: an import, or a url() that is not a fragment of the same file.</summary>
    private static bool Outside(string css)
    {
        if (
            css.Contains("@import", StringComparison.OrdinalIgnoreCase)
            || css.Contains("javascript:", StringComparison.OrdinalIgnoreCase)
            // An escape can spell any of these words, and no drawing needs one.
            || css.Contains('\\')
        )
            return true;
        for (
            var at = css.IndexOf("url(", StringComparison.OrdinalIgnoreCase);
            at >= 0;
            at = css.IndexOf("url(", at + 4, StringComparison.OrdinalIgnoreCase)
        )
        {
            if (!css[(at + 4)..].TrimStart(' ', '"', '\'', '\t', '\n').StartsWith('#'))
                return true;
        }
        return false;
    }
}
