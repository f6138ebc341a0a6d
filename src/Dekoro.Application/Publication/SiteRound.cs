using System.Text;
using Dekoro.Application.Hosting;
using Dekoro.Application.Preview;
using Dekoro.Application.Site;
using Dekoro.Core.Layout;
using Dekoro.Core.Publication;
using Dekoro.Core.Site;
using Dekoro.Publishing;

namespace Dekoro.Application.Publication;

/// <summary>What all pages of a site have in common, worked out once for all of them.</summary>
/// <param name="MenuMark">Names what stands round every page.</param>
/// <param name="PostsMark">Names the list of posts on the front page.</param>
internal sealed record SiteRound(SiteFrame Frame, SiteStyle Style, byte[] Css, string MenuMark, string PostsMark)
{
    /// <param name="before">Of an earlier moment: what of it is still so is taken from there; null for none.</param>
    public static SiteRound Of(KnownSite site, SiteRound? before)
    {
        var isStyled = ReferenceEquals(before?.Style, site.Style);
        var frame = site.Round.Frame;
        if (isStyled && ReferenceEquals(before!.Frame, frame))
            return before;
        return new(
            frame,
            site.Style,
            isStyled ? before!.Css : Encoding.UTF8.GetBytes(SiteCss.Write(new PageLayout(site.Style))),
            PageFingerprint.HashOf([frame.Name, frame.Language, Json.Write(frame.Menu)]),
            PageFingerprint.HashOf([Json.Write(frame.Posts)])
        );
    }

    /// <summary>Appended to the style sheet's address, so that a new one is fetched.</summary>
    public string StyleVersion { get; private init; } = "?" + SiteFile.Of(Css).Sha256[..8];

    /// <summary>Of a page with what stands round it.</summary>
    public string FingerprintOf(PageDigest page) =>
        $"{page.Fingerprint}.{MenuMark}{(page.Page.Page.Path.Length == 0 ? "." + PostsMark : "")}";

    /// <summary>Names the program that writes all of it.</summary>
    public static string Program => PageDigests.Program;

    /// <summary>Names the files that all pages have in common.</summary>
    public string AssetsMark => PageFingerprint.HashOf([Program, StyleShelf.MarkOf(Style)]);

    /// <summary>The files that all pages have in common.</summary>
    public IReadOnlyDictionary<string, SiteFile> Assets()
    {
        string[] names = [Publishing.Assets.SetsStyle, .. Publishing.Assets.Scripts, .. Faces.Of(Style.Typeface).Files];
        return new Dictionary<string, SiteFile>(
            names.Select(n => KeyValuePair.Create("assets/" + n, SiteFile.Of(Publishing.Assets.Bytes(n))))
        )
        {
            ["assets/site.css"] = SiteFile.Of(Css),
        };
    }
}
