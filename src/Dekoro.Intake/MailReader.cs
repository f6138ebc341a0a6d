using System.Globalization;
using Dekoro.Core.Content;
using Dekoro.Core.Media;
using MimeKit;
using MimeKit.Text;
using MimeKit.Tnef;

namespace Dekoro.Intake;

/// <summary>
/// Reads a mail (RFC 5322, MIME RFC 2045 to 2049) into its words and pictures, each picture at its place among the
/// words.
/// </summary>
public sealed class MailReader
{
    private const int MaxDepth = 20,
        MaxParts = 2000;

    private static readonly HashSet<string> PictureEndings = new(StringComparer.OrdinalIgnoreCase)
    {
        ".jpg",
        ".jpeg",
        ".jpe",
        ".png",
        ".webp",
        ".avif",
        ".gif",
        ".svg",
        ".tif",
        ".tiff",
        ".heic",
        ".heif",
        ".bmp",
    };

    private readonly Pieces _pieces = new();
    private readonly Dictionary<string, FoundPicture> _byContentId = new(StringComparer.OrdinalIgnoreCase);
    private readonly Dictionary<MimeEntity, FoundPicture> _found = [];
    private readonly HashSet<FoundPicture> _placed = [];
    private readonly Lock _reading = new();
    private readonly string _source;
    private int _parts;

    private MailReader(string source) => _source = source;

    /// <param name="mail">Stays open and in place for as long as pictures of the proposal are read from it.</param>
    /// <exception cref="UnreadableException">Not a mail.</exception>
    public static Proposal Read(Stream mail)
    {
        MimeMessage message;
        try
        {
            message = MimeMessage.Load(
                new ParserOptions { MaxMimeDepth = MaxDepth, MaxAddressGroupDepth = 3 },
                mail,
                persistent: true
            );
        }
        catch (Exception e) when (e is FormatException or IOException)
        {
            throw new UnreadableException(
                "This file is not a mail that can be read: save the mail again as .eml from your mail program.",
                e
            );
        }
        if (message.Headers.Count == 0 || message.Body is null)
            throw new UnreadableException(
                "This file holds no mail: save the mail again as .eml from your mail program."
            );
        var from = NameOf(message.From);
        var date = message.Headers.Contains(HeaderId.Date) ? message.Date : (DateTimeOffset?)null;
        var reader = new MailReader(
            string.Create(
                CultureInfo.InvariantCulture,
                $"Mail{(from.Length > 0 ? " from " + from : "")}{(date is { } d ? $", {d:d MMMM yyyy}" : "")}"
            )
        );
        reader.Gather(message.Body, 0);
        reader.Walk(message.Body, 0);
        reader.PlaceTheRest();
        return reader._pieces.ToProposal(ProposalKind.Mail, (message.Subject ?? "").Trim(), from, date);
    }

    /// <summary>
    /// Subject, sender and date alone, from the lines at the beginning: a list does not read what hangs on its mails.
    /// </summary>
    /// <exception cref="UnreadableException">Not a mail.</exception>
    public static (string Title, string From, DateTimeOffset? Date) Headers(Stream mail)
    {
        try
        {
            var headers = new MimeParser(new ParserOptions { MaxAddressGroupDepth = 3 }, mail).ParseHeaders();
            if (headers.Count == 0)
                throw new UnreadableException("This file holds no mail.");
            var from = InternetAddressList.TryParse(headers[HeaderId.From] ?? "", out var senders)
                ? NameOf(senders)
                : "";
            var isDated = MimeKit.Utils.DateUtils.TryParse(headers[HeaderId.Date] ?? "", out var date);
            return ((headers[HeaderId.Subject] ?? "").Trim(), from, isDated ? date : null);
        }
        catch (Exception e) when (e is FormatException or IOException)
        {
            throw new UnreadableException("This file is not a mail that can be read.", e);
        }
    }

    private static string NameOf(InternetAddressList from) =>
        from.Mailboxes.FirstOrDefault() is { } sender
            ? sender.Name is { Length: > 0 } name
                ? name
                : sender.Address
            : "";

    /// <summary>Every picture of the mail first, so that words can name one that comes after them.</summary>
    private void Gather(MimeEntity? entity, int depth)
    {
        if (depth > MaxDepth || ++_parts > MaxParts)
            return;
        switch (entity)
        {
            case Multipart many:
                foreach (var part in many)
                    Gather(part, depth + 1);
                break;
            case MimePart part and not TextPart and not TnefPart when IsPicture(part):
                var name = part.FileName ?? part.ContentType.Name ?? part.ContentId ?? "picture";
                var found = new FoundPicture(
                    _pieces.NewKey(),
                    name,
                    new PictureMetadata(Alt: (part.ContentDescription ?? "").Trim(), Source: _source),
                    new PictureContent.AtHand(() => Opened(part))
                );
                _found[part] = found;
                if (part.ContentId is { Length: > 0 } id)
                    _byContentId.TryAdd(id.Trim('<', '>'), found);
                if (part.ContentLocation is { } at)
                    _byContentId.TryAdd(at.ToString(), found);
                break;
        }
    }

    private void Walk(MimeEntity? entity, int depth)
    {
        if (depth > MaxDepth)
        {
            _pieces.LeaveOut(
                "A part of the mail",
                "It lies too deep inside other parts to be read: open it in your mail program and save it by itself."
            );
            return;
        }
        switch (entity)
        {
            case MultipartAlternative alternatives:
                Walk(Best(alternatives), depth + 1);
                break;
            case MultipartRelated related:
                Walk(related.Root ?? related.FirstOrDefault(), depth + 1);
                break;
            case Multipart { ContentType.MediaSubtype: "encrypted" }:
                Encrypted();
                break;
            case Multipart many:
                foreach (var part in many)
                    Walk(part, depth + 1);
                break;
            case MessagePart forwarded:
                Forwarded(forwarded.Message, depth);
                break;
            case TnefPart bundle:
                Bundle(bundle, depth);
                break;
            case MimePart part:
                Single(part);
                break;
        }
    }

    private void Single(MimePart part)
    {
        if (part is TextPart { IsAttachment: false } text)
            Text(text);
        else if (_found.TryGetValue(part, out var picture))
        {
            if (_placed.Add(picture))
                _pieces.Place(picture);
        }
        else if (part.ContentType.MediaSubtype is "pkcs7-mime" or "x-pkcs7-mime")
            Encrypted();
        // A signature says nothing that could be shown.
        else if (part.ContentType.MediaSubtype is not ("pkcs7-signature" or "x-pkcs7-signature" or "pgp-signature"))
            LeaveOut(part);
    }

    private void Forwarded(MimeMessage? message, int depth)
    {
        if (message?.Body is null)
            return;
        _pieces.Add(new RuleBlock(_pieces.NewId()));
        if (message.Subject is { Length: > 0 } subject)
            _pieces.Add(new HeadingBlock(_pieces.NewId(), 2, [new TextRun(subject.Trim())]));
        Gather(message.Body, depth + 1);
        Walk(message.Body, depth + 1);
    }

    /// <summary>
    /// A mail wrapped as one blob (Transport Neutral Encapsulation Format), often called winmail.dat.
    /// </summary>
    private void Bundle(TnefPart bundle, int depth)
    {
        MimeEntity? inside = null;
        try
        {
            inside = bundle.ConvertToMessage().Body;
        }
        catch (Exception e)
            when (e is FormatException or IOException or ArgumentException or NotSupportedException or TnefException)
        {
            // Said below, as of one that holds nothing.
        }
        if (inside is null)
        {
            _pieces.LeaveOut(
                bundle.FileName ?? "winmail.dat",
                "This wrapped part of the mail is damaged: ask the sender to send the pictures as plain attachments."
            );
            return;
        }
        Gather(inside, depth + 1);
        Walk(inside, depth + 1);
    }

    private void Text(TextPart part)
    {
        var text = TextDecoding.Decode(Bytes(part), part.ContentType.Charset, part.IsHtml);
        var html =
            part.IsHtml ? text
            : part.IsFlowed ? new FlowedToHtml { DeleteSpace = DeletesSpace(part) }.Convert(text)
            : new TextToHtml().Convert(text);
        new HtmlWalk(_pieces, part.ContentLocation is { IsAbsoluteUri: true } at ? at : null, id =>
        {
            var found = _byContentId.GetValueOrDefault(id.Trim('<', '>'));
            if (found is not null)
                _placed.Add(found);
            return found;
        }).Read(html);
    }

    /// <summary>
    /// The richest version that is read; a mail's alternatives stand in order of rising richness (RFC 2046, 5.1.4).
    /// </summary>
    private static MimeEntity? Best(MultipartAlternative alternatives) =>
        alternatives.LastOrDefault(HasHtml)
        ?? alternatives.LastOrDefault(e => e is TextPart { IsPlain: true })
        ?? alternatives.LastOrDefault();

    private static bool HasHtml(MimeEntity entity) =>
        entity switch
        {
            TextPart text => text.IsHtml,
            MultipartRelated related => (related.Root ?? related.FirstOrDefault()) is { } root && HasHtml(root),
            Multipart many => many.Any(HasHtml),
            _ => false,
        };

    /// <summary>Pictures that no words named stand after the words.</summary>
    private void PlaceTheRest()
    {
        foreach (var picture in _found.Values.Where(_placed.Add))
            _pieces.Place(picture);
    }

    private void Encrypted() =>
        _pieces.LeaveOut(
            "The mail's content",
            "It is encrypted: open it in your mail program, and save or forward it unencrypted."
        );

    private void LeaveOut(MimePart part)
    {
        var name = part.FileName ?? part.ContentType.Name ?? part.ContentType.MimeType;
        _pieces.LeaveOut(name, $"It is not a picture ({part.ContentType.MimeType}), so it was left in the mail.");
    }

    private static bool IsPicture(MimePart part) =>
        part.ContentType.IsMimeType("image", "*")
        || PictureEndings.Contains(Path.GetExtension(part.FileName ?? part.ContentType.Name ?? ""));

    private static bool DeletesSpace(TextPart part) =>
        string.Equals(part.ContentType.Parameters["delsp"], "yes", StringComparison.OrdinalIgnoreCase);

    private byte[] Bytes(MimePart part)
    {
        using var opened = Opened(part);
        using var all = new MemoryStream();
        opened.CopyTo(all);
        return all.ToArray();
    }

    private Stream Opened(MimePart part)
    {
        if (part.Content is null)
            return Stream.Null;
        // All parts read from the mail's one stream: each is read out whole, one after the other.
        var decoded = new MemoryStream();
        lock (_reading)
            part.Content.DecodeTo(decoded);
        decoded.Position = 0;
        return decoded;
    }
}
