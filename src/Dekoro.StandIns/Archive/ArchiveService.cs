using System.Globalization;
using System.Text;
using System.Text.Json.Nodes;
using Dekoro.Core.Geometry;
using Dekoro.Intake;
using Dekoro.Intake.Iiif;
using NetVips;

namespace Dekoro.StandIns.Archive;

/// <summary>An archive that answers as the International Image Interoperability Framework asks, and takes
/// deposits.</summary>
/// <remarks>IIIF Presentation API 3.0; Image API 3.0, compliance level 0.</remarks>
internal sealed class ArchiveService(ArchiveShelf shelf)
{
    public const string Prefix = StandIn.Prefix + "archive/";

    private const string Rights = "http://creativecommons.org/licenses/by/4.0/";
    private static readonly int[] SmallerPx = [200, 600];
    private static readonly IiifWriter Writer = new("en");

    private readonly ArchiveDesk _desk = new(shelf);
    private readonly SemaphoreSlim _drawing = new(1);

    /// <param name="path">Under the archive's own address.</param>
    /// <param name="root">The archive's own address, with a slash at its end.</param>
    public async Task<StandInAnswer?> AnswerAsync(StandInRequest request, string path, Uri root, CancellationToken stop)
    {
        if (path.StartsWith(ArchiveDesk.Under, StringComparison.Ordinal))
            return await _desk.AnswerAsync(request, path[ArchiveDesk.Under.Length..], root, stop);
        if (request.Method != "GET")
            return null;
        return path.Split('/') switch
        {
            ["collection.json"] => Json(Collection(root)),
            ["manifest", var file] when file.EndsWith(".json", StringComparison.Ordinal) => Found(file[..^5], root)
                is { } found
                ? Json(Writer.Manifest(found.Picture))
                : null,
            ["image", var n, "info.json"] => Found(n, root) is { } found ? Json(IiifWriter.Info(found.Picture)) : null,
            ["image", var n, .. var rest] when Found(n, root) is { } found => SizeOf(
                found.Picture,
                string.Join('/', rest)
            )
                is { } size
                ? new("image/jpeg", await DrawnAsync(() => found.Drawn(size.Width), stop))
                : null,
            _ => null,
        };
    }

    /// <summary>One at a time: a house elsewhere has processors of its own, and takes none of ours.</summary>
    private async Task<byte[]> DrawnAsync(Func<byte[]> draw, CancellationToken stop)
    {
        await _drawing.WaitAsync(stop);
        try
        {
            return await Task.Run(draw, stop);
        }
        finally
        {
            _drawing.Release();
        }
    }

    private JsonObject Collection(Uri root)
    {
        var deposits = shelf.Shown();
        return Writer.Collection(
            new Uri(root, "collection.json"),
            "Windle Sands Archive: kites and their makers",
            $"{ArchiveItem.Count + deposits.Count} kites from the stores, with maker, year and material.",
            Enumerable
                .Range(1, ArchiveItem.Count)
                .Select(n => Described(ArchiveItem.Of(n), root))
                .Concat(deposits.Select(d => Described(d, root)))
        );
    }

    /// <summary>What has a number, and how it is drawn so wide, as JPEG.</summary>
    private (IiifPicture Picture, Func<int, byte[]> Drawn)? Found(string name, Uri root)
    {
        if (!int.TryParse(name, NumberStyles.None, CultureInfo.InvariantCulture, out var n) || n < 1)
            return null;
        if (n <= ArchiveItem.Count)
            return (Described(ArchiveItem.Of(n), root), width => Picture(ArchiveItem.Of(n), width));
        return shelf.Find(n) is { File: { } file, IsOpen: false } deposited
            ? (Described(deposited, root), width => Picture(shelf.FileOf(file.Sha256), width))
            : null;
    }

    private static IiifPicture Described(ArchiveItem item, Uri root) =>
        new(
            ManifestOf(item.Number, root),
            ImageOf(item.Number, root),
            item.Title,
            $"A kite of {item.Material}, made at {item.Place} in {item.Year}.",
            [
                new("Maker", item.Maker),
                new("Year", item.Year.ToString(CultureInfo.InvariantCulture)),
                new("Kind", item.Kind.ToString()),
                new("Material", item.Material),
                new("Place", item.Place),
                new("Number", item.Id),
            ],
            $"Windle Sands Archive, {item.Maker}",
            Rights,
            SizesOf(new(item.Look.WidthPx, item.Look.HeightPx))
        );

    private static IiifPicture Described(Deposited deposited, Uri root) =>
        new(
            ManifestOf(deposited.Number, root),
            ImageOf(deposited.Number, root),
            deposited.Word("dc:title"),
            deposited.Word("dcterms:abstract"),
            [
                new("Description", deposited.Word("dc:description")),
                new("Keywords", deposited.Word("dc:subject")),
                new("Year", deposited.Word("dcterms:created").Split('-')[0]),
                new("Number", $"WSA-{deposited.Number:0000}"),
            ],
            deposited.Word("dc:creator"),
            deposited.Word("dc:rights"),
            SizesOf(new(deposited.File!.WidthPx, deposited.File.HeightPx))
        );

    private static StandInAnswer Json(JsonObject value) => new(IiifWriter.MediaType, IiifWriter.Bytes(value));

    private static byte[] Picture(ArchiveItem item, int widthPx)
    {
        using var drawn = Image.ThumbnailBuffer(Encoding.UTF8.GetBytes(ItemDrawing.Of(item)), widthPx, height: 100_000);
        return Jpeg(drawn);
    }

    private static byte[] Picture(string path, int widthPx)
    {
        using var drawn = Image.Thumbnail(path, widthPx, height: 100_000, outputProfile: "srgb");
        return Jpeg(drawn);
    }

    private static byte[] Jpeg(Image drawn)
    {
        using var opaque = drawn.HasAlpha() ? drawn.Flatten(background: [255.0]) : drawn.Copy();
        return opaque.JpegsaveBuffer(q: 82, optimizeCoding: true);
    }

    private static System.Collections.Immutable.ImmutableArray<PixelSize> SizesOf(PixelSize whole) =>
        [.. SmallerPx.Where(w => w < whole.Width).Select(w => At(whole, w)), whole];

    private static PixelSize At(PixelSize whole, int widthPx) =>
        new(widthPx, Math.Max(1, (int)Math.Round((double)whole.Height * widthPx / whole.Width)));

    private static PixelSize? SizeOf(IiifPicture picture, string path) =>
        path == IiifWriter.WholePath
            ? picture.Whole
            : picture.Sizes.Cast<PixelSize?>().FirstOrDefault(size => IiifWriter.PathOf(size!.Value) == path);

    private static Uri ManifestOf(int number, Uri root) => new(root, $"manifest/{number}.json");

    private static Uri ImageOf(int number, Uri root) => new(root, $"image/{number}");
}
