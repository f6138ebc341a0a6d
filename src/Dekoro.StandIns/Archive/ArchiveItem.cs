namespace Dekoro.StandIns.Archive;

/// <summary>One thing of an invented archive, made from its number alone: the same number is the same thing.</summary>
public sealed record ArchiveItem(
    int Number,
    ItemKind Kind,
    string Title,
    string Maker,
    int Year,
    string Material,
    string Place,
    ItemLook Look
)
{
    public const int Count = 200;

    private static readonly string[] Makers =
    [
        "Ilse Marwick",
        "Tobias Renn",
        "Sada Quill",
        "Per Oldsund",
        "Wren Attaway",
        "unknown maker",
        "The Skerry School",
        "Hattie Bloom",
    ];
    private static readonly string[] Materials =
    [
        "silk and bamboo",
        "paper and spruce",
        "cotton and ash",
        "linen and cane",
        "rice paper and bamboo",
        "nylon and carbon",
    ];
    private static readonly string[] PlaceNames =
    [
        "Windle Sands",
        "Skerry Light",
        "Marram Bay",
        "Long Workshop",
        "Harbour Loft",
        "North Dunes",
    ];
    private static readonly string[] Hues = ["red", "blue", "yellow", "green", "purple", "orange", "white"];
    private static readonly string[] Marks =
    [
        "with sun",
        "with waves",
        "with stripes",
        "with crane feathers",
        "in patchwork",
        "with a face",
        "plain",
        "with stars",
    ];

    public string Id => $"WSA-{Number:0000}";

    /// <summary>The thing with a number.</summary>
    public static ArchiveItem Of(int number)
    {
        // A linear congruential step (Numerical Recipes) spreads neighbouring numbers; no run of the program draws
        // otherwise.
        uint state = (uint)number;
        int Pick(int n)
        {
            state = state * 1664525 + 1013904223;
            return (int)((state >> 16) % (uint)n);
        }
        var kind = (ItemKind)Pick(8);
        var hue = Hues[Pick(Hues.Length)];
        var (mark, maker, material, place) = (
            Marks[Pick(Marks.Length)],
            Makers[Pick(Makers.Length)],
            Materials[Pick(Materials.Length)],
            PlaceNames[Pick(PlaceNames.Length)]
        );
        var name =
            kind == ItemKind.Box
                ? "box kite"
                : kind.ToString().ToLowerInvariant() + (kind is ItemKind.Rokkaku ? "" : " kite");
        var tall = kind is ItemKind.Lantern or ItemKind.Rokkaku or ItemKind.Diamond;
        var (shortPx, longPx) = (1400 + 100 * Pick(5), 1900 + 100 * Pick(6));
        return new(
            number,
            kind,
            $"{char.ToUpperInvariant(hue[0])}{hue[1..]} {name} {mark}",
            maker,
            1948 + Pick(74),
            material,
            place,
            new(hue, tall ? shortPx : longPx, tall ? longPx : shortPx)
        );
    }
}
