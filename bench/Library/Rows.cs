using System.Globalization;
using Dekoro.Core.Editing;
using Dekoro.Core.Geometry;
using Dekoro.Core.Media;
using Dekoro.Storage;

namespace Dekoro.Bench;

/// <summary>Made-up pictures: rows without files.</summary>
internal static class Rows
{
    private static readonly string[] Beginnings =
    [
        "kite",
        "dune",
        "lan",
        "har",
        "sil",
        "wor",
        "mar",
        "ser",
        "bri",
        "tide",
        "rok",
        "pier",
        "gull",
        "sand",
        "win",
        "flag",
    ];
    private static readonly string[] Endings =
    [
        "",
        "s",
        "tern",
        "bour",
        "ver",
        "kshop",
        "ram",
        "pent",
        "dle",
        "mark",
        "kaku",
        "head",
        "line",
        "paper",
        "ter",
        "stone",
        "field",
        "light",
        "house",
        "song",
    ];
    private static readonly string[] Middles = ["", "a", "eo", "ui", "or", "en"];
    private static readonly string[] Words =
    [
        .. from b in Beginnings from m in Middles from e in Endings select b + m + e,
    ];
    private static readonly string[] Folders =
    [
        "Kites",
        "Dunes and sea",
        "Workshop",
        "Lantern nights",
        "Museum",
        "Archive",
    ];

    public static string IdOf(int i) => string.Create(CultureInfo.InvariantCulture, $"{i:x12}");

    public static IEnumerable<Asset> Of(int count, int seed)
    {
        var random = new Random(seed);
        string Some(int words) =>
            string.Join(' ', Enumerable.Range(0, words).Select(_ => Words[random.Next(Words.Length)]));
        for (var i = 0; i < count; i++)
        {
            var size = new PixelSize(random.Next(400, 6000), random.Next(400, 4500));
            var words = new PictureMetadata(
                random.Next(12) == 0 ? $"IMG_{i:0000}" : Some(3),
                random.Next(5) == 0 ? "" : Some(7),
                Some(5),
                "",
                Folder: Folders[random.Next(Folders.Length)]
            );
            yield return new Asset(
                new PictureFacts(
                    IdOf(i),
                    new($"picture-{i}.jpg", PictureFormat.Jpeg, false, 1, size.Area / 4),
                    size,
                    new BytesModel(0.1, 0.8),
                    random.NextDouble(),
                    new FocalRegion(0.3, 0.3, 0.3, 0.3),
                    words
                ),
                i.ToString("x64", CultureInfo.InvariantCulture),
                i.ToString("x64", CultureInfo.InvariantCulture),
                "RGB",
                null,
                new DateTimeOffset(2020, 1, 1, 0, 0, 0, TimeSpan.Zero).AddMinutes(i * 17),
                1,
                size,
                Edits.None,
                Colours: ["blue", "grey"]
            );
        }
    }

    /// <summary>Two words each, as people type them: one whole, one begun.</summary>
    public static IEnumerable<(string First, string Second)> Pairs(int count, int seed)
    {
        var random = new Random(seed);
        for (var i = 0; i < count; i++)
            yield return (
                Words[random.Next(Words.Length)],
                Words[random.Next(Words.Length)] is var second && second.Length > 5 ? second[..5] : second
            );
    }
}
