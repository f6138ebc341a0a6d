using System.Collections.Immutable;
using Dekoro.Application.Changes;
using Dekoro.Application.Drafts;
using Dekoro.Application.Hosting;
using Dekoro.Application.Preview;
using Dekoro.Application.Publication;
using Dekoro.Application.Site;
using Dekoro.Core.Checks;
using Dekoro.Core.Choices;
using Dekoro.Core.Colour;
using Dekoro.Core.Content;
using Dekoro.Core.Delivery;
using Dekoro.Core.Geometry;
using Dekoro.Core.Layout;
using Dekoro.Core.Links;
using Dekoro.Core.Planning;
using Dekoro.Core.Site;
using Dekoro.Imaging;
using Dekoro.Server.Contracts;
using Dekoro.Server.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Dekoro.Server.Endpoints;

internal static class SiteEndpoints
{
    public static void MapSite(this IEndpointRouteBuilder api)
    {
        api.MapGet("/site", Site).WithSummary("Widths, shapes and sizes of the site.");
        api.MapGet("/site/style", (Workspace workspace, SiteChanges changes) =>
                TypedResults.Ok(StyleOf(workspace, changes))
            )
            .WithSummary("What is set once for the whole site, and how many pictures need new files for it.");
        api.MapPut("/site/style", SetStyle)
            .WithSummary(
                "Changes what is set for the whole site: in drafts at once, for visitors when it is published."
            );
        api.MapPut("/site/looks/{id}", SetLook)
            .WithSummary("Names a look for pictures to share, or changes one for all that have it.");
        api.MapDelete("/site/looks/{id}", TakeOutLook).WithSummary("Takes out a look that no picture has.");
        api.MapGet("/site/iiif", (IiifFiles iiif) => TypedResults.Ok(Told(iiif.Setting)))
            .WithSummary("Whether viewers of other houses read what the public site shows (IIIF).");
        api.MapPut("/site/iiif", SetIiif).WithSummary("Switches it, for the next publishing.");
        api.MapGet("/links", ReadLink)
            .WithSummary("What a typed address is read as, with the repair that was made, or why not.");
        api.MapGet("/events", Listen).ExcludeFromDescription();
    }

    private static IiifResponse Told(IiifSetting setting) =>
        new(
            setting.IsOn,
            setting.Address,
            setting.Address.Length > 0 ? $"{setting.Address}/{IiifSetting.Collection}" : ""
        );

    private static Results<Ok<IiifResponse>, ProblemHttpResult> SetIiif(
        IiifSetting given,
        IiifFiles iiif,
        Events events
    )
    {
        var typed = given.Address.Trim().TrimEnd('/');
        if (typed.Length == 0 && given.IsOn)
            return Problems.Of(400, "Say first at which address visitors find the site.", "address");
        if (
            typed.Length > 0
            && !(
                Uri.TryCreate(typed, UriKind.Absolute, out var address)
                && address.Scheme is "https" or "http"
                && address is { Query: "", Fragment: "", UserInfo: "" }
            )
        )
            return Problems.Of(400, "An address begins with https://, as in https://museum.example.", "address");
        iiif.Set(new(given.IsOn, typed));
        events.Send("site", new { });
        return TypedResults.Ok(Told(iiif.Setting));
    }

    private static SiteResponse Site(Workspace workspace, FrameStyleUse use, LiveSite live)
    {
        var style = workspace.Style.Current;
        var layout = new PageLayout(style);
        return new(
            style.Name,
            style.Classes,
            style.FirstScreenPx,
            style.Shapes,
            [
                .. Enum.GetValues<SizeRole>()
                    .Select(r => new SizeOffer(r, Remedy.NameOf(r), layout.SlotOf(new FigureSize.ByRole(r)).Segments)),
            ],
            layout.Column.Segments,
            new(FigureSize.ByPx.Min, FigureSize.ByPx.Max, AspectRatio.Narrowest, AspectRatio.Widest),
            [
                .. Enumerable
                    .Range(ColumnsBlock.MinInRow, ColumnsBlock.MaxInRow - ColumnsBlock.MinInRow + 1)
                    .Select(n => new RowOffer(
                        n,
                        PageLayout.InRow(n),
                        [
                            .. Enum.GetValues<Extent>()
                                .Select(e => new ReachOffer(
                                    e,
                                    e == Extent.Wide ? Remedy.NameOf(SizeRole.Wide) : Remedy.NameOf(SizeRole.Column),
                                    PlaceName.Of(n, e),
                                    layout.CellOf(n, e).Segments
                                )),
                        ]
                    )),
            ],
            ColumnsBlock.MaxCells,
            style.CellShape,
            new(
                [.. style.Colours.Offered().Select(c => new ColourOffer(c.Name, c.Colour))],
                BandBlock.MaxHeightPx,
                Readability.Steps
            ),
            LooksOf(workspace, use),
            new(FrameStyle.MaxLinePx, FrameStyle.MaxPaddingPx, Corners.MaxPx, Shadow.MaxPx),
            [.. VisitorLine.Offered.Select(l => l.Name)],
            live.IsThere,
            new(Limits.MaxDownloadBytes, Limits.DownloadTooLarge),
            ArrangementLimits.Here
        );
    }

    private static StyleResponse StyleOf(Workspace workspace, SiteChanges changes)
    {
        var style = workspace.Style.Current;
        var (pictures, files) = changes.NotMadeYet();
        return new(
            StyleValues.Of(style),
            StyleChanges.MarkOf(style),
            StyleValues.PairsOf(style.Colours),
            pictures,
            files
        );
    }

    private static Results<Ok<StyleResponse>, ProblemHttpResult> SetStyle(
        StyleChange change,
        HttpRequest request,
        Workspace workspace,
        StyleChanges styles,
        SiteChanges changes
    )
    {
        if (Problems.MarkOf(request.Headers.IfMatch) is not { } seen)
            return Problems.NoVersion();
        var result = styles.Change(seen, change.Values);
        return result is ChangeResult<StyleReading>.Done { Now: { Style: null, Errors: var errors } }
            ? Problems.Of(400, errors[0].Sentence, errors[0].Field, ("errors", errors))
            : result.Answer(_ => StyleOf(workspace, changes), change.Values);
    }

    private static IReadOnlyList<FrameStyleOffer> LooksOf(Workspace workspace, FrameStyleUse use)
    {
        var places = use.ByLook();
        return
        [
            .. workspace.Style.Current.FrameStyles.Select(l => new FrameStyleOffer(
                l.Id,
                l.Name,
                FrameStyleValues.Of(l.FrameStyle),
                places.GetValueOrDefault(l.Id),
                StyleChanges.MarkOf(l)
            )),
        ];
    }

    /// <summary>If-Match names the one look as it was seen, If-None-Match: * begins a new one.</summary>
    private static Results<Ok<IReadOnlyList<FrameStyleOffer>>, ProblemHttpResult> SetLook(
        string id,
        FrameStyleChange change,
        HttpRequest request,
        Workspace workspace,
        StyleChanges styles,
        FrameStyleUse use
    )
    {
        var (seen, isNew) = (Problems.MarkOf(request.Headers.IfMatch), request.Headers.IfNoneMatch == "*");
        return seen is null && !isNew
            ? Problems.NoVersion()
            : styles
                .SetLook(id, isNew ? null : seen, change.Name, change.Look)
                .Answer(_ => LooksOf(workspace, use), change);
    }

    private static Results<Ok<IReadOnlyList<FrameStyleOffer>>, ProblemHttpResult> TakeOutLook(
        string id,
        HttpRequest request,
        Workspace workspace,
        StyleChanges styles,
        FrameStyleUse use
    )
    {
        var seen = Problems.MarkOf(request.Headers.IfMatch);
        return seen is null && use.PlacesOf(id) == 0
            ? Problems.NoVersion()
            : styles.TakeOutLook(id, seen).Answer(_ => LooksOf(workspace, use));
    }

    private static Ok<LinkResponse> ReadLink(string typed, PlanningContext planning, HttpRequest request)
    {
        var site = new SiteAddresses(
            planning.AllPages.ToDictionary(p => p.Id, p => p.Path),
            new HashSet<string> { request.Host.Value ?? "" }
        )
        {
            FileById = planning.LinkedFiles(),
        };
        var reading = LinkReader.Read(typed, site);
        return TypedResults.Ok(new LinkResponse(reading.Link?.Written, reading.Repair, reading.Error));
    }

    private static IResult Listen(Events events, Person person, HttpContext context, CancellationToken stop) =>
        events.Join($"{context.Connection.RemoteIpAddress} {person.Now}") is { } listener
            ? TypedResults.ServerSentEvents(Sent(listener, stop))
            : Problems.Of(
                429,
                $"At most {Events.MaxOfAPerson} windows are told of changes at once: this one asks now and "
                    + "then instead."
            );

    private static async IAsyncEnumerable<System.Net.ServerSentEvents.SseItem<string>> Sent(
        Listener listener,
        [System.Runtime.CompilerServices.EnumeratorCancellation] CancellationToken stop
    )
    {
        using (listener)
        {
            yield return new("hello", "hello");
            await foreach (var sent in listener.AllAsync(stop))
                yield return new(sent.Data, sent.Name);
        }
    }
}
