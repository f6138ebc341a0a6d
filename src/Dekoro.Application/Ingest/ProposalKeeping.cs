using Dekoro.Application.Changes;
using Dekoro.Application.Drafts;
using Dekoro.Application.Hosting;
using Dekoro.Application.Pictures;
using Dekoro.Core.Content;
using Dekoro.Core.Media;
using Dekoro.Storage;
using Result = Dekoro.Application.Changes.ChangeResult<Dekoro.Application.Ingest.ProposalKept>;

namespace Dekoro.Application.Ingest;

/// <summary>Keeps what was read elsewhere: its pictures in the library, its words on a page.</summary>
public sealed class ProposalKeeping(Workspace workspace, Proposals proposals, PageMaking making, TakenMails mails)
{
    private const int MaxTries = 6;

    /// <param name="pictures">Those that are taken, each with the words it has from then on.</param>
    /// <param name="to">Where the words go.</param>
    public Result Keep(string id, IEnumerable<(string Id, FileChange Words)> pictures, ProposalTarget to)
    {
        if (proposals.Find(id) is not { } pending)
            return new Result.NotThere(Thing.Proposal);
        if (to is ProposalTarget.NewPage made && PageMaking.Refusal(made.Kind, made.Title) is { } no)
            return new Result.Refused(no.Field == "kind" ? "newKind" : "newTitle", no.Sentence);
        var page = to is ProposalTarget.OnPage there ? workspace.Pages.Find(there.Id) : null;
        if (to is ProposalTarget.OnPage && page is null)
            return new Result.NotThere(Thing.Page);
        var byId = pending.Pictures.ToDictionary(p => p.Asset.Id);
        var chosen = new Dictionary<string, PictureMetadata>();
        foreach (var (picture, change) in pictures.Where(p => byId.ContainsKey(p.Id)))
        {
            var words = change.On(byId[picture].Asset.Facts.Metadata);
            if (words.Refusal() is { } wrong)
                return new Result.Refused(picture, wrong);
            chosen[picture] = words;
        }
        var (taken, pieces) = proposals.Keep(pending, chosen);
        mails.Record(pending.Origin);
        return to switch
        {
            ProposalTarget.OnPage on => OnPage(page!, on.AfterBlockId, taken, pieces),
            ProposalTarget.NewPage one => Done(making.Add(one.Kind, one.Title, Fresh(pieces)).Id, null),
            _ => Done(null, Fresh(pieces)),
        };

        Result Done(string? pageId, Document? words) => new Result.Done(new(taken, pageId, words));
    }

    private Result OnPage(PageRow page, string? afterBlockId, IReadOnlyList<Taken> taken, Document pieces)
    {
        for (var tries = 0; !making.Insert(page, afterBlockId, pieces); tries++)
        {
            // Someone typed on that page in the same moment; what they typed stays, and the pieces go in beside it.
            if (tries >= MaxTries || workspace.Pages.Find(page.Id) is not { } now)
                return new Result.Conflict(
                    "The pictures are in the library, but the page keeps changing under other hands: place "
                        + "them from the drawer."
                );
            page = now;
        }
        return new Result.Done(new(taken, page.Id, null));
    }

    private static Document Fresh(Document pieces) =>
        Inserting.Into(Document.Empty, null, pieces, PageMaking.NewBlockId);
}
