using static Dekoro.Demo.Draw.Light;

namespace Dekoro.Demo.Draw;

/// <summary>Every picture of the demo library, in the order in which it was added.</summary>
public static class Recipes
{
    public static readonly IReadOnlyList<Recipe> All =
    [
        new("windle-sands-june-morning.jpg", "panorama", 6000, Noon, Frame.Whole, Quality: 78, Grain: 3)
        {
            Credit = "Ana Verhulst",
        },
        new("delta-over-the-dunes.jpg", "delta", 3900, Noon, Frame.Whole)
        {
            Title = "Delta over the dunes",
            Credit = "Ana Verhulst",
        },
        new("delta-close-up.jpg", "delta", 2000, Morning, new(0.34, 0.1, 0.44, 0.62)) { Credit = "Ana Verhulst" },
        new("dune-grass-and-sky.jpg", "delta", 2600, Evening, new(0, 0.45, 0.62, 0.55), Mirror: true),
        new("lantern-kites-at-dusk.jpg", "lanterns", 3840, Noon, Frame.Whole, Quality: 80)
        {
            Title = "Lantern kites at dusk",
            Credit = "Idris Moult",
        },
        new("lanterns-on-the-water.jpg", "lanterns", 2400, Late, new(0.08, 0.42, 0.84, 0.58))
        {
            Credit = "Idris Moult",
        },
        new("two-lanterns.jpg", "lanterns", 1500, Evening, new(0.5, 0.08, 0.3, 0.42)) { Credit = "Idris Moult" },
        new("wave-rokkaku.jpg", "rokkaku", 2250, Noon, Frame.Whole)
        {
            Title = "Wave rokkaku",
            Credit = "Collection photograph",
        },
        new("wave-rokkaku-grey-day.jpg", "rokkaku", 1400, Overcast, new(0.05, 0.05, 0.9, 0.75), Mirror: true),
        new("line-reel.jpg", "reel", 560, Noon, Frame.Whole) { Title = "Line reel" },
        new("line-reel-detail.jpg", "reel", 1800, Evening, new(0.15, 0.22, 0.7, 0.55)),
        new("the-long-workshop.jpg", "bench", 3300, Noon, Frame.Whole)
        {
            Title = "The bench in the long workshop",
            Credit = "Hana Okafor",
        },
        new("bamboo-and-glue.jpg", "bench", 2200, Evening, new(0.38, 0.55, 0.62, 0.45)) { Credit = "Hana Okafor" },
        new("workshop-window.jpg", "bench", 1600, Morning, new(0.04, 0.0, 0.42, 0.6)) { Credit = "Hana Okafor" },
        new("kites-on-the-wall.webp", "bench", 1800, Noon, new(0.38, 0.0, 0.6, 0.58)),
        new("silk-on-the-shelf.jpg", "silk", 2400, Noon, Frame.Whole)
        {
            Title = "Silk on the shelf",
            Credit = "Hana Okafor",
        },
        new("silk-reds-and-golds.webp", "silk", 1600, Noon, new(0, 0, 0.66, 0.4)),
        new("bridle-ring.jpg", "bridle", 2700, Noon, Frame.Whole) { Title = "Bridle ring", Credit = "Hana Okafor" },
        new("bridle-knots.avif", "bridle", 1500, Evening, new(0.3, 0.3, 0.5, 0.5)),
        new("first-flight-year-four.jpg", "children", 3000, Noon, Frame.Whole)
        {
            Title = "First flight, Year 4",
            Credit = "Joan Petrie",
        },
        new("running-on-the-sand.jpg", "children", 2100, Evening, new(0.15, 0.55, 0.7, 0.42), Mirror: true)
        {
            Credit = "Joan Petrie",
        },
        new("three-kites-up.jpg", "children", 2400, Morning, new(0, 0, 1, 0.58)) { Credit = "Joan Petrie" },
        new("box-kite.jpg", "box", 2400, Noon, Frame.Whole) { Title = "Box kite" },
        new("box-kite-winter.webp", "box", 1300, Winter, new(0.12, 0.05, 0.8, 0.9), Mirror: true),
        new("diamond-kite.jpg", "diamond", 2000, Noon, Frame.Whole) { Title = "Diamond kite" },
        new("diamond-kite-evening.jpg", "diamond", 1300, Evening, new(0.1, 0.05, 0.8, 0.55), Mirror: true),
        new("laid-out-for-the-show.jpg", "flatlay", 2600, Noon, Frame.Whole)
        {
            Title = "Laid out for the show",
            Credit = "Ana Verhulst",
        },
        new("two-kites-on-sand.jpg", "flatlay", 1700, Evening, new(0.05, 0.45, 0.9, 0.5)),
        new("the-kite-hall.jpg", "hall", 2240, Noon, Frame.Whole) { Title = "The kite hall", Credit = "Ana Verhulst" },
        new("kite-hall-roof.jpg", "hall", 2000, Evening, new(0, 0, 1, 0.5), Mirror: true),
        new("skerry-light.jpg", "lighthouse", 2000, Noon, Frame.Whole)
        {
            Title = "Skerry light",
            Credit = "Idris Moult",
        },
        new("skerry-light-wide.jpg", "lighthouse", 2200, Late, new(0, 0.4, 1, 0.5), Mirror: true),
        new("marram-grass.jpg", "marram", 3400, Noon, Frame.Whole) { Title = "Marram grass" },
        new("marram-winter.jpg", "marram", 2600, Winter, new(0, 0.3, 1, 0.7), Mirror: true),
        new("museum-from-the-path.jpg", "museum", 3200, Noon, Frame.Whole)
        {
            Title = "The museum from the path",
            Credit = "Ana Verhulst",
        },
        new("museum-at-closing-time.jpg", "museum", 2400, Evening, new(0.12, 0.1, 0.76, 0.82), Mirror: true)
        {
            Credit = "Ana Verhulst",
        },
        new("museum-door.jpg", "museum", 1500, Morning, new(0.42, 0.35, 0.3, 0.62)) { Credit = "Ana Verhulst" },
        new("two-lanterns-new-moon.jpg", "night", 2200, Noon, Frame.Whole)
        {
            Title = "Two lanterns, new moon",
            Credit = "Idris Moult",
        },
        new("moon-over-the-dunes.jpg", "night", 1300, Winter, new(0.35, 0.0, 0.65, 0.8)),
        new("patchwork-sail.png", "pattern", 1100, Noon, Frame.Whole, Grain: 0) { Title = "Patchwork sail" },
        new("lantern-night-poster.png", "poster", 1200, Noon, Frame.Whole, Grain: 0) { Title = "Lantern night poster" },
        new("eighteen-metre-serpent.jpg", "serpent", 3600, Noon, Frame.Whole)
        {
            Title = "Eighteen-metre serpent",
            Credit = "Joan Petrie",
        },
        new("serpent-head.jpg", "serpent", 1800, Morning, new(0.02, 0.12, 0.34, 0.7)) { Credit = "Joan Petrie" },
        new("kite-train.jpg", "train", 1800, Noon, Frame.Whole) { Title = "A train of ten" },
        new("kite-train-top.avif", "train", 1600, Evening, new(0.3, 0, 0.7, 0.45)),
        new("founders-on-the-beach.jpg", "archive", 2000, Old, Frame.Whole, Grain: 9)
        {
            Title = "The founders on the beach, 1926",
            Credit = "Museum archive",
        },
        new("beach-early.tif", "panorama", 1400, Morning, new(0, 0.1, 0.5, 0.9), Grain: 2),
        new("sands-at-dusk-tall.jpg", "panorama", 900, Late, new(0.56, 0, 0.16, 1)),
        new("far-horizon.jpg", "panorama", 4200, Overcast, new(0, 0.35, 1, 0.42), Mirror: true, Grain: 3, Quality: 78),
        // Awkward on purpose.
        new("IMG_2291.jpg", "storm", 3600, Noon, Frame.Whole) { Credit = "Ana Verhulst" },
        new("DSC_0457.jpg", "marram", 2200, Evening, new(0.45, 0, 0.55, 0.8)),
        new("P1040223.jpg", "diamond", 1500, Overcast, new(0, 0, 1, 0.62)),
        new("serpent-small.jpg", "serpent", 480, Evening, new(0.1, 0, 0.85, 1)),
        new("storm-kite-shaken.jpg", "storm", 2400, Noon, new(0.45, 0.05, 0.5, 0.9), Awkward: Awkward.Blurred),
        new(
            "lighthouse-turned.jpg",
            "lighthouse",
            1500,
            Morning,
            new(0, 0.1, 1, 0.9),
            Mirror: true,
            Awkward: Awkward.Sideways
        ),
        new("poster-for-the-printer.jpg", "poster", 1400, Noon, Frame.Whole, Grain: 0, Awkward: Awkward.Cmyk),
        new("museum-with-location.jpg", "museum", 1800, Overcast, new(0.05, 0.05, 0.9, 0.9), Awkward: Awkward.Located),
        new(
            "kite-cut-out.png",
            "diamond",
            900,
            Noon,
            new(0.26, 0.08, 0.56, 0.4),
            Grain: 0,
            Awkward: Awkward.Transparent
        ),
        new("hall-progressive.jpg", "hall", 1700, Morning, new(0.05, 0.3, 0.9, 0.7), Awkward: Awkward.Progressive),
        // Drawn files that stay drawings.
        new("how-a-kite-flies.svg", "", 1200, Noon, Frame.Whole) { Title = "How a kite flies" },
        new("sea-scallops.svg", "", 800, Noon, Frame.Whole) { Title = "Sea scallops" },
        new("bunting.svg", "", 1600, Noon, Frame.Whole) { Title = "Bunting" },
    ];
}
