using Dekoro.Application.Drafts;
using Dekoro.Application.Hosting;
using Dekoro.Application.Ingest;
using Dekoro.Application.Preview;
using Dekoro.Core.Content;
using Dekoro.Core.Layout;
using Dekoro.Core.Links;
using Dekoro.Core.Media;
using Dekoro.Intake;
using Dekoro.Server.Contracts;
using Dekoro.Server.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Dekoro.Server.Endpoints;

/// <summary>Mail, pasted text, pages and addresses, read into proposals.</summary>
internal static class IntakeEndpoints
{
    public static void MapIntake(this IEndpointRouteBuilder api)
    {
        api.MapGet("/mailbox", (Mailbox mailbox, TakenMails taken) => TypedResults.Ok(taken.Marked(mailbox.List())))
            .WithSummary("The mails waiting in the mailbox, newest first, with when each was taken in.");
        api.MapPost("/mailbox/{id}", FromMailbox).WithSummary("Reads a mail of the mailbox into a proposal.");
        api.MapPost("/intake/file", FromFile)
            .WithSummary("Reads a mail (.eml), a saved web page or a bundle (.zip) into a proposal.")
            .Accepts<IFormFile>("multipart/form-data")
            .DisableAntiforgery()
            .Takes(Bodies.MaxMail);
        api.MapPost("/intake/pasted", FromPasted)
            .WithSummary("Reads pasted HTML into a proposal.")
            .Takes(Bodies.MaxPasted);
        api.MapPost("/intake/gallery", FromGallery)
            .WithSummary(
                "Reads the HTML of a gallery into a proposal of its pictures: each as its large file, with "
                    + "its own words and link."
            )
            .Takes(Bodies.MaxPasted);
        api.MapPost("/intake/address", FromAddress)
            .WithSummary("Fetches a page or picture and reads it into a proposal.");
        api.MapGet("/intake", All).WithSummary("What was read and is neither kept nor let go, the last first.");
        api.MapGet("/intake/{id}", Look)
            .WithSummary("A proposal: words, pictures at their places, and what was left out.");
        api.MapGet("/intake/{id}/page", Page)
            .WithSummary("The page as it would be, before anything is kept.")
            .ExcludeFromDescription();
        api.MapPost("/intake/{id}/keep", Keep)
            .WithSummary("Takes the chosen pictures into the library, and puts the words with them into a page.");
        api.MapPost("/intake/{id}/fetch", FetchWaitingAsync)
            .WithSummary("Fetches the pictures that a mail only names from where they lie, which tells that server.");
        api.MapDelete("/intake/{id}", LetGo).WithSummary("Lets a proposal go; nothing of it is kept.");
    }

    private static IReadOnlyList<ProposalItem> All(Proposals proposals) =>
        [
            .. proposals
                .All()
                .Select(p => new ProposalItem(p.Id, p.Origin.Kind, p.Origin.Title, p.Origin.From, p.Pictures.Length)),
        ];

    private static async Task<Results<Ok<ProposalResponse>, ProblemHttpResult>> FromMailbox(
        string id,
        Mailbox mailbox,
        Proposals proposals,
        PlanningContext planning,
        CancellationToken stop
    )
    {
        await using var mail = mailbox.Open(id);
        return mail is null
            ? Problems.Of(404, "This mail is no longer in the mailbox: look at the list again.")
            : await ReadAsync(() => MailReader.Read(mail), proposals, planning, stop);
    }

    private static async Task<Results<Ok<ProposalResponse>, ProblemHttpResult>> FromFile(
        HttpRequest request,
        Workspace workspace,
        Proposals proposals,
        PlanningContext planning,
        CancellationToken stop
    )
    {
        if (!request.HasFormContentType)
            return Problems.Of(415, "Send the file as multipart/form-data, in a field called “file”.");
        var form = await request.ReadFormAsync(
            new Microsoft.AspNetCore.Http.Features.FormOptions
            {
                MultipartBodyLengthLimit = Bodies.MaxMail,
                BufferBodyLengthLimit = Bodies.MaxMail,
            },
            stop
        );
        if (form.Files.FirstOrDefault() is not { } file)
            return Problems.Of(400, "There was no file in the upload: send it in a field called “file”.");
        await using var content = file.OpenReadStream();
        return await ReadAsync(() => ReadFile(file.FileName, content), proposals, planning, stop);
    }

    private static Proposal ReadFile(string name, Stream content)
    {
        switch (Path.GetExtension(name).ToLowerInvariant())
        {
            case ".msg":
                throw new UnreadableException(
                    "A .msg file belongs to one mail program alone: save the mail as .eml there, or drag its "
                        + "pictures here."
                );
            case ".zip":
                return BundleReader.Read(content, name);
            case ".htm" or ".html" or ".xhtml":
                using (var all = new MemoryStream())
                {
                    content.CopyTo(all);
                    return HtmlReader.Read(TextDecoding.Decode(all.ToArray(), isHtml: true));
                }
            default:
                return MailReader.Read(content);
        }
    }

    private static async Task<Results<Ok<ProposalResponse>, ProblemHttpResult>> FromPasted(
        PastedHtml pasted,
        Proposals proposals,
        PlanningContext planning,
        CancellationToken stop
    ) => await ReadAsync(() => HtmlReader.Read(pasted.Html, AddressOf(pasted)), proposals, planning, stop);

    private static async Task<Results<Ok<ProposalResponse>, ProblemHttpResult>> FromGallery(
        PastedHtml pasted,
        Proposals proposals,
        PlanningContext planning,
        CancellationToken stop
    ) => await ReadAsync(() => GalleryReader.Read(pasted.Html, AddressOf(pasted)), proposals, planning, stop);

    private static Uri? AddressOf(PastedHtml pasted) =>
        Uri.TryCreate(pasted.Address, UriKind.Absolute, out var at) ? at : null;

    private static async Task<Results<Ok<ProposalResponse>, ProblemHttpResult>> FromAddress(
        GivenAddress given,
        HttpRequest request,
        Fetching fetching,
        Proposals proposals,
        PlanningContext planning,
        CancellationToken stop
    )
    {
        if (AddressOf(given.Address, request, out var sentence) is not { } address)
            return Problems.Of(400, sentence, "address");
        try
        {
            var fetched = await fetching.GetAsync(address, stop);
            await using var content = fetched.Content;
            if (fetched.MediaType.Contains("json", StringComparison.OrdinalIgnoreCase))
                return Problems.Of(
                    409,
                    "This is an archive's catalogue: open it as an archive.",
                    null,
                    ("archive", fetched.Address.AbsoluteUri)
                );
            var held = await HeldAsync(content, stop);
            return await ReadAsync(
                () =>
                    fetched.MediaType.StartsWith("text/html", StringComparison.OrdinalIgnoreCase)
                    || fetched.MediaType.Contains("xhtml", StringComparison.OrdinalIgnoreCase)
                        ? HtmlReader.Read(TextDecoding.Decode(held, isHtml: true), fetched.Address)
                        : OnePicture(fetched.Address, held),
                proposals,
                planning,
                stop
            );
        }
        catch (NotFetchedException e)
        {
            return Problems.Of(422, e.Message, "address");
        }
    }

    private static Proposal OnePicture(Uri address, byte[] content)
    {
        var name = Uri.UnescapeDataString(address.Segments[^1]);
        return new(
            ProposalKind.WebPage,
            name,
            address.Host,
            null,
            Document.Empty,
            [
                new(
                    "p1",
                    name,
                    new PictureMetadata(Source: address.AbsoluteUri),
                    new PictureContent.AtHand(() => new MemoryStream(content, writable: false))
                ),
            ],
            []
        );
    }

    private static async Task<byte[]> HeldAsync(Stream content, CancellationToken stop)
    {
        using var all = new MemoryStream();
        await content.CopyToAsync(all, stop);
        return all.ToArray();
    }

    /// <summary>
    /// An address as it was typed: under this server where it begins with a slash, else on the web, repaired as links
    /// are.
    /// </summary>
    internal static Uri? AddressOf(string typed, HttpRequest request, out string sentence)
    {
        sentence = "";
        if (typed.Trim().StartsWith('/') && !typed.Trim().StartsWith("//", StringComparison.Ordinal))
            return new Uri(new Uri($"{request.Scheme}://{request.Host}"), typed.Trim());
        var reading = LinkReader.Read(
            typed,
            new SiteAddresses(new Dictionary<string, string>(), new HashSet<string>())
        );
        if (reading.Link is Link.Web web)
            return new Uri(web.Written);
        sentence = reading.Error
            ?? "This is not the address of a page or a picture: give one that begins with https://.";
        return null;
    }

    internal static async Task<Results<Ok<ProposalResponse>, ProblemHttpResult>> ReadAsync(
        Func<Proposal> read,
        Proposals proposals,
        PlanningContext planning,
        CancellationToken stop
    )
    {
        try
        {
            var proposal = read();
            if (proposal.Words.Blocks.IsEmpty && proposal.Pictures.IsEmpty)
                return Problems.Of(
                    422,
                    "There are neither words nor pictures in it that could be taken."
                        + string.Concat(proposal.LeftOut.Select(l => $" {l.Name}: {l.Sentence}"))
                );
            return TypedResults.Ok(LookOf(await proposals.BringAsync(proposal, stop), planning));
        }
        catch (UnreadableException e)
        {
            return Problems.Of(422, e.Message);
        }
    }

    private static Results<Ok<ProposalResponse>, ProblemHttpResult> Look(
        string id,
        Proposals proposals,
        PlanningContext planning
    ) => proposals.Find(id) is { } pending ? TypedResults.Ok(LookOf(pending, planning)) : Problems.NoProposal();

    private static ProposalResponse LookOf(Pending pending, PlanningContext planning)
    {
        var places = planning.Used.Places;
        return new(
            pending.Id,
            pending.Origin.Kind,
            pending.Origin.Title,
            pending.Origin.From,
            pending.Origin.Date,
            [.. pending.Words.Blocks.Select(PieceOf)],
            [
                .. pending.Pictures.Select(p => new ProposedPicture(
                    FileEndpoints.ItemOf(p.Asset, places[p.Asset.Id].Count()),
                    p.WasThere,
                    p.Note
                )),
            ],
            pending.LeftOut,
            [.. pending.Waiting.Select(w => ((PictureContent.Remote)w.Content).Address.Host)]
        );
    }

    private static async Task<Results<Ok<ProposalResponse>, ProblemHttpResult>> FetchWaitingAsync(
        string id,
        Proposals proposals,
        PlanningContext planning,
        CancellationToken stop
    ) =>
        proposals.Find(id) is { } pending
            ? TypedResults.Ok(LookOf(await proposals.FetchWaitingAsync(pending, stop), planning))
            : Problems.NoProposal();

    private static ProposedPiece PieceOf(Block block) =>
        new(
            block switch
            {
                HeadingBlock => "heading",
                ListBlock => "list",
                QuoteBlock => "quote",
                RuleBlock => "rule",
                FigureBlock => "picture",
                _ => "text",
            },
            block.ToPlainText(),
            (block as FigureBlock)?.AssetId
        );

    /// <param name="without">Ids of pictures that would stay out, with commas between.</param>
    private static async Task<IResult> Page(
        string id,
        Proposals proposals,
        Workspace workspace,
        PlanningContext planning,
        PageMaking making,
        DraftPreview preview,
        HttpResponse response,
        string? page = null,
        string kind = "post",
        string? title = null,
        string? after = null,
        string without = ""
    )
    {
        if (proposals.Find(id) is not { } pending)
            return Problems.NoProposal();
        var out1 = without.Split(',', StringSplitOptions.RemoveEmptyEntries).ToHashSet();
        var words = Inserting.WithPictures(pending.Words, picture => out1.Contains(picture) ? null : picture);
        var heading = string.IsNullOrWhiteSpace(title) ? pending.Origin.Title : title;
        ResolvedPage source;
        if (page is null)
            source = planning.PageOf("new", new(heading, making.PathFor(kind, heading), "", words));
        else if (workspace.Pages.Find(page) is { } there)
            source = planning.PageOf(
                there,
                Inserting.Into(planning.DocumentOf(there), after, words, PageMaking.NewBlockId)
            );
        else
            return Problems.NoPage();
        MediaEndpoints.AsProof(response);
        return Results.Text(
            await preview.PageAsync(source, DraftPreview.ForDesk, pending.Pictures.Select(p => p.Asset.Facts)),
            "text/html"
        );
    }

    private static Results<Ok<KeptProposal>, ProblemHttpResult> Keep(
        string id,
        KeepProposal keep,
        ProposalKeeping keeping
    ) =>
        keeping
            .Keep(id, keep.Pictures.Select(p => (p.Id, p.Words)), TargetOf(keep))
            .Answer(kept => new KeptProposal(
                kept.Files,
                kept.PageId,
                kept.Words is { } words ? DocumentWriter.Write(words) : null
            ));

    private static ProposalTarget TargetOf(KeepProposal keep) =>
        keep.NewKind is { } kind ? new ProposalTarget.NewPage(kind, keep.NewTitle ?? "")
        : keep.Page is { } page ? new ProposalTarget.OnPage(page, keep.After)
        : new ProposalTarget.None();

    private static NoContent LetGo(string id, Proposals proposals)
    {
        proposals.LetGo(id);
        return TypedResults.NoContent();
    }
}
