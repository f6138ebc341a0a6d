using Dekoro.Application.Hosting;
using Dekoro.Application.Pictures;
using Dekoro.Application.Preview;
using Dekoro.Core.Checks;
using Dekoro.Core.Choices;
using Dekoro.Core.Delivery;
using Dekoro.Core.Editing;
using Dekoro.Core.Geometry;
using Dekoro.Core.Layout;
using Dekoro.Core.Planning;
using Dekoro.Imaging;
using Dekoro.Server.Contracts;
using Dekoro.Server.Hosting;
using Dekoro.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Dekoro.Server.Endpoints;

/// <summary>The picture room: one picture, its versions, and every cut in use.</summary>
internal static class RoomEndpoints
{
    public static void MapRoom(this IEndpointRouteBuilder api)
    {
        api.MapGet("/room/scales", () => TypedResults.Ok(AllScales))
            .WithSummary("What the scales of light and colour do, in data.");
        api.MapGet("/files/{id}/room", Open).WithSummary("A picture with its versions and every cut in use.");
        api.MapPost("/files/{id}/room/look", LookAt)
            .WithSummary("What a picture under edits would be, without keeping it.");
        api.MapPost("/files/{id}/room/turn", Turn)
            .WithSummary("Edits turned by quarters or mirrored, as they are seen.");
        api.MapPost("/files/{id}/room/cut", CutToShape)
            .WithSummary("Edits cut to the largest window of a shape, about the middle of the cut there is.");
        api.MapGet("/files/{id}/room/even", Even)
            .WithSummary("Light, contrast and warmth that would even the picture out.");
        api.MapGet("/files/{id}/room/guess", Guess).WithSummary("A first guess of what must stay in view.");
        api.MapGet("/files/{id}/room/sharpest", Sharpest).WithSummary("Where a picture is sharpest, and how sharp.");
        api.MapPost("/files/{id}/versions", Keep).WithSummary("Keeps a version and uses it everywhere.");
        api.MapPost("/files/{id}/versions/{number:int}/use", Use).WithSummary("Uses an older version everywhere.");
        api.MapGet("/files/{id}/download", Download).WithSummary("The picture at a size and in a format, as a file.");
    }

    private static Results<Ok<Room>, ProblemHttpResult> Open(string id, Workspace workspace, PlanningContext planning)
    {
        return workspace.Assets.Find(id) is { } asset
            ? TypedResults.Ok(RoomOf(asset, workspace, planning))
            : Problems.NoPicture();
    }

    private static Room RoomOf(Asset asset, Workspace workspace, PlanningContext planning) =>
        new(
            FileEndpoints.ItemOf(asset, planning.Used.Places[asset.Id].Count()),
            asset.OriginalSize.Width,
            asset.OriginalSize.Height,
            VersionsOf(asset, workspace),
            LookOf(asset, asset.Edits, asset.Facts.Keep, workspace, planning),
            Edits.MaxStraightenDeg,
            asset.Facts.WhyNotEdited
        );

    private const int ScaleStep = 5;

    private static readonly Scales AllScales = new(
        ScaleStep,
        All(ToneCurve.Light),
        All(ToneCurve.Contrast),
        All(ToneCurve.Shadows),
        All(ToneCurve.Warmth),
        [.. new[] { -Adjustments.Max, 0, Adjustments.Max }.Select(v => Adjustments.Of(colour: v).ColourMatrix)],
        [.. new[] { 0, Adjustments.Max }.Select(v => Adjustments.Of(sharpen: v).SharpenKernel)]
    );

    private static IReadOnlyList<IReadOnlyList<double>> All(Func<int, ToneCurve> curve) =>
        [
            .. Enumerable
                .Range(0, 2 * Adjustments.Max / ScaleStep + 1)
                .Select(i =>
                    (IReadOnlyList<double>)
                        [.. curve(i * ScaleStep - Adjustments.Max).Values.Select(v => Math.Round(v, 5))]
                ),
        ];

    private static Results<Ok<RoomResponse>, ProblemHttpResult> LookAt(
        string id,
        RoomState state,
        Workspace workspace,
        PlanningContext planning
    )
    {
        if (workspace.Assets.Find(id) is not { } asset)
            return Problems.NoPicture();
        if (Read(state.Edits) is not { } edits)
            return NoEdits();
        var keep = state.Keep is null ? PictureVersions.FollowedKeep(asset, edits) : KeepOf(state.Keep);
        return TypedResults.Ok(LookOf(asset, edits, keep, workspace, planning));
    }

    /// <param name="quarters">Clockwise; 0 mirrors.</param>
    private static Results<Ok<EditsResponse>, ProblemHttpResult> Turn(string id, int quarters, EditsResponse edits)
    {
        if (quarters is < -3 or > 3)
            return Problems.Of(400, "A picture is turned by −3 to 3 quarters; 0 mirrors it.", "quarters");
        if (Read(edits) is not { } read)
            return NoEdits();
        return TypedResults.Ok(Written(quarters == 0 ? read.Mirrored() : read.Turned(quarters)));
    }

    private static Results<Ok<EditsResponse>, ProblemHttpResult> CutToShape(
        string id,
        string shape,
        EditsResponse edits,
        Workspace workspace
    )
    {
        if (workspace.Assets.Find(id) is not { } asset)
            return Problems.NoPicture();
        if (Read(edits) is not { } read)
            return NoEdits();
        if (!AspectRatio.TryParse(shape, out var ratio))
            return Problems.Of(400, "A shape is a width over a height, as in 3:2.", "shape");
        try
        {
            return TypedResults.Ok(Written(read.CutTo(ratio, asset.OriginalSize)));
        }
        catch (ArgumentOutOfRangeException)
        {
            return NoEdits();
        }
    }

    private static Results<Ok<AdjustmentsResponse>, ProblemHttpResult> Even(string id, PictureVersions versions) =>
        versions.EvenOut(id).Answer(Written);

    private static Results<Ok<Box>, ProblemHttpResult> Guess(string id, PictureVersions versions) =>
        versions.GuessKeep(id).Answer(Written);

    private static Results<Ok<SharpestResponse>, ProblemHttpResult> Sharpest(
        string id,
        PictureVersions versions,
        Workspace workspace
    ) =>
        workspace.Assets.Find(id) is { } asset
            ? versions
                .Sharpest(id)
                .Answer(told => new SharpestResponse(
                    told is { } place ? Written(place.Box) : null,
                    Remedy.SharpestIn(asset.Facts, told?.EdgePx)
                ))
            : Problems.NoPicture();

    private static async Task<Results<Ok<Room>, ProblemHttpResult>> Keep(
        string id,
        KeepVersion keep,
        HttpRequest request,
        Workspace workspace,
        PictureVersions versions,
        PlanningContext planning,
        CancellationToken stop
    )
    {
        if (Problems.VersionOf(request.Headers.IfMatch) is not { } version)
            return Problems.NoVersion();
        if (Read(keep.Edits) is not { } edits)
            return NoEdits();
        var result = await versions.KeepAsync(id, version, edits, KeepOf(keep.Keep), keep.Replaces, stop);
        return result.Answer(now => RoomOf(now, workspace, planning), keep);
    }

    private static Results<Ok<Room>, ProblemHttpResult> Use(
        string id,
        int number,
        HttpRequest request,
        Workspace workspace,
        PictureVersions versions,
        PlanningContext planning
    ) =>
        Problems.VersionOf(request.Headers.IfMatch) is { } version
            ? versions.Use(id, version, number).Answer(now => RoomOf(now, workspace, planning), number)
            : Problems.NoVersion();

    /// <param name="fit">stretch makes exactly the size; cut fills it round the keep area; without, the proportions
    /// stay and the width counts.</param>
    private static async Task<IResult> Download(
        string id,
        Workspace workspace,
        RenditionMaker maker,
        PixelQueue pixels,
        HttpResponse response,
        int? width = null,
        int? height = null,
        string format = "jpeg",
        string fit = "cut"
    )
    {
        if (workspace.Assets.Find(id) is not { } asset)
            return Problems.NoPicture();
        var size = asset.Facts.Size;
        if (
            !Enum.TryParse<OutputFormat>(format, ignoreCase: true, out var output)
            || output is OutputFormat.Gif or OutputFormat.Svg
        )
            return Problems.Of(400, "A picture is given out as jpeg, png, webp or avif.", "format");
        if (width is < 1 or > 20_000 || height is < 1 or > 20_000)
            return Problems.Of(400, "A size is from 1 to 20000 px.", "width");
        var w = width
            ?? (height is { } h ? Math.Max(1, (int)Math.Round((double)h * size.Width / size.Height)) : size.Width);
        var cut =
            height is { } tall && fit == "cut"
                ? Cut.To(AspectRatio.Of(w, tall), size, asset.Facts.KeepOrMiddle)
                : Cut.Whole(size);
        if (w > cut.Width)
            return Problems.Of(
                400,
                $"This would need a picture {w} px wide, and there are {cut.Width}: it would only be blown up. "
                    + $"Ask for {cut.Width} px or less.",
                "width"
            );
        try
        {
            var path = await maker.PlannedAsync(asset, new(id, cut, w, output));
            var name = $"{Core.Links.Slug.Of(asset.Facts.Metadata.Title)}-{w}{Path.GetExtension(path)}";
            if (fit != "stretch" || height is not { } exact)
                return Results.File(path, FigureMime.Of(output), name);
            return Results.Bytes(
                await pixels.RunAsync(PixelWork.Asked, _ => Stretching.To(path, w, exact, output), default),
                FigureMime.Of(output),
                name
            );
        }
        catch (RefusedFileException e)
        {
            return Problems.Of(422, e.Message);
        }
    }

    private static RoomResponse LookOf(
        Asset asset,
        Edits edits,
        FocalRegion? keep,
        Workspace workspace,
        PlanningContext planning
    )
    {
        var size = edits.SizeOf(asset.OriginalSize);
        var facts = asset.Facts with { Size = size, Keep = keep };
        var layout = new PageLayout(workspace.Style.Current);
        var (fw, fh) = edits.FrameOf(asset.OriginalSize);
        var frame = edits.CutTo(Edits.None.Window);
        return new(
            Written(edits),
            size.Width,
            size.Height,
            fw,
            fh,
            edits.MapFrom(asset.OriginalSize),
            frame.MapFrom(asset.OriginalSize),
            keep is { } k ? Written(k) : null,
            [
                .. planning
                    .Used.Cuts[asset.Id]
                    .Select(p =>
                    {
                        var standing = TrialPlacement.Of(facts, p.Stand.SlotOf(facts), p.Figure.Cut, layout);
                        return new CutInUse(
                            p.Page.Id,
                            p.Page.Title,
                            p.Figure.Id,
                            FileEndpoints.SizeOf(p.Figure.Size),
                            p.Figure.Cut.Shape?.ToString(),
                            FileEndpoints.ThroughOf(standing),
                            Remedy.For(standing, layout, Remedy.TakesSize(p.Figure.Size))
                        );
                    }),
            ],
            [
                .. workspace.Style.Current.Shapes.Select(text =>
                {
                    var shape = AspectRatio.TryParse(text, out var parsed) ? parsed : size.Shape;
                    var cut = Placed.CutOf(new CutChoice(shape), facts);
                    return new ShapeResponse(text, cut, Placed.LossOf(new CutChoice(shape), facts, cut).InWords());
                }),
            ]
        );
    }

    private static IReadOnlyList<VersionResponse> VersionsOf(Asset asset, Workspace workspace)
    {
        var kept = workspace.Editions.Of(asset.Id);
        if (kept.Count == 0)
            return
            [
                new(
                    0,
                    $"{asset.Id}.0",
                    "Original",
                    Written(Edits.None),
                    asset.OriginalSize.Width,
                    asset.OriginalSize.Height,
                    true,
                    asset.AddedAt
                ),
            ];
        return
        [
            .. kept.Select(e => new VersionResponse(
                e.Number,
                $"{asset.Id}.{e.Number}",
                EditsWords.Of(e.Edits),
                Written(e.Edits),
                e.Size.Width,
                e.Size.Height,
                e.Number == asset.Facts.Edition,
                e.Number == 0 ? asset.AddedAt : e.MadeAt
            )),
        ];
    }

    private static FocalRegion? KeepOf(Box? box) =>
        box is null ? null : FocalRegion.Of(box.X, box.Y, box.Width, box.Height);

    private static Edits? Read(EditsResponse look)
    {
        // JSON may leave out what no type can miss.
        if (look is not { Window: not null, Adjustments: not null })
            return null;
        try
        {
            var a = look.Adjustments;
            return Edits.Of(
                look.QuarterTurns,
                look.IsMirrored,
                look.StraightenDeg,
                new(look.Window.X, look.Window.Y, look.Window.Width, look.Window.Height),
                Adjustments.Of(a.Light, a.Contrast, a.Shadows, a.Colour, a.Warmth, a.Sharpen)
            );
        }
        catch (ArgumentOutOfRangeException)
        {
            return null;
        }
    }

    private static ProblemHttpResult NoEdits() =>
        Problems.Of(
            400,
            "A cut lies inside the picture, a picture is straightened by at most "
                + $"{Edits.MaxStraightenDeg:0}°, and light and colour go from −100 to 100.",
            "edits"
        );

    private static Box Written(FocalRegion b) => new(b.X, b.Y, b.Width, b.Height);

    private static AdjustmentsResponse Written(Adjustments a) =>
        new(a.Light, a.Contrast, a.Shadows, a.Colour, a.Warmth, a.Sharpen);

    private static EditsResponse Written(Edits e) =>
        new(e.QuarterTurns, e.IsMirrored, e.StraightenDeg, Written(e.Window), Written(e.Adjustments));
}
