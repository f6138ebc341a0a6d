using System.Text;
using MimeKit;

namespace Dekoro.Intake.Tests;

public sealed class MailReaderTests
{
    private static readonly byte[] Gif = Convert.FromBase64String("R0lGODlhAQABAAAAACw=");

    [Fact]
    public void Pictures_stand_where_the_words_name_them_and_the_others_after()
    {
        var builder = new BodyBuilder();
        var first = builder.LinkedResources.Add("IMG_1.gif", Gif);
        first.ContentId = "one@sands";
        var second = builder.LinkedResources.Add("IMG_2.gif", Gif);
        second.ContentId = "two@sands";
        builder.HtmlBody =
            "<p>Up</p><img src='cid:two@sands' alt='Second'><p>Down</p><img src=\"cid:one%40sands\"><img "
            + "src='cid:lost@sands' alt='Lost'>";
        builder.TextBody = "The plain version";
        builder.Attachments.Add("third.gif", Gif);
        builder.Attachments.Add(
            "prices.pdf",
            Encoding.ASCII.GetBytes("%PDF-1.7"),
            new ContentType("application", "pdf")
        );
        var read = Read(Mail(builder.ToMessageBody()));
        Assert.Equal(("Lantern night", "Ana Verhulst"), (read.Title, read.From));
        Assert.Equal(new DateTimeOffset(2026, 5, 3, 9, 0, 0, TimeSpan.Zero), read.Date);
        Assert.Equal(["P Up", "F p2", "P Down", "F p1", "F p3"], HtmlReaderTests.Shape(read));
        Assert.Equal(["IMG_2.gif", "IMG_1.gif", "third.gif"], read.Pictures.Select(p => p.FileName));
        Assert.All(read.Pictures, p => Assert.Equal("Mail from Ana Verhulst, 3 May 2026", p.Words.Source));
        Assert.Equal(["Lost", "prices.pdf"], read.LeftOut.Select(l => l.Name));
        Assert.All(read.Pictures, p => Assert.Equal(Gif, Bytes(p)));
    }

    [Fact]
    public void Parts_in_a_row_keep_their_row()
    {
        var mixed = new Multipart("mixed")
        {
            Plain("First words"),
            Inline("a.gif"),
            Plain("Second words"),
            Inline("b.gif"),
        };
        Assert.Equal(["P First words", "F p1", "P Second words", "F p2"], HtmlReaderTests.Shape(Read(Mail(mixed))));
    }

    [Fact]
    public void A_forwarded_mail_brings_its_own_words_and_pictures()
    {
        var inner = Mail(new Multipart("mixed") { Plain("From the beach"), Inline("a.gif") });
        var read = Read(
            Mail(
                new Multipart("mixed")
                {
                    Plain("See below"),
                    new MessagePart { Message = inner },
                }
            )
        );
        Assert.Equal(["P See below", "—", "H2 Lantern night", "P From the beach", "F p1"], HtmlReaderTests.Shape(read));
    }

    [Fact]
    public void Plain_text_keeps_its_lines_and_flowed_text_flows()
    {
        var flowed = new TextPart("plain") { Text = "The kites are up and the \r\nwind is kind.\r\n\r\nCome!" };
        flowed.ContentType.Parameters["format"] = "flowed";
        Assert.Equal(
            ["P The kites are up and the wind is kind.", "P Come!"],
            HtmlReaderTests.Shape(Read(Mail(flowed)))
        );
        Assert.Equal(
            ["P Saturday⏎Sunday", "P <b>not markup</b>"],
            HtmlReaderTests.Shape(Read(Mail(Plain("Saturday\r\nSunday\r\n\r\n<b>not markup</b>"))))
        );
    }

    [Theory]
    [InlineData("us-ascii", "utf-8")]
    [InlineData("no-such-set", "utf-8")]
    [InlineData("utf-8", "windows-1252")]
    [InlineData("", "utf-8")]
    [InlineData("iso-8859-15", "iso-8859-15")]
    public void A_character_set_that_is_wrong_or_missing_costs_no_letter(string stated, string real)
    {
        TextDecoding.Decode([]); // registers the sets
        var raw =
            "From: Ana <ana@sands.example>\r\nSubject: x\r\nContent-Type: "
            + $"text/plain{(stated.Length > 0 ? "; charset=" + stated : "")}\r\nContent-Transfer-Encoding: "
            + "8bit\r\n\r\n";
        using var mail = new MemoryStream([
            .. Encoding.ASCII.GetBytes(raw),
            .. Encoding.GetEncoding(real).GetBytes("Überm Sand: ça va, señor"),
        ]);
        Assert.Equal(["P Überm Sand: ça va, señor"], HtmlReaderTests.Shape(MailReader.Read(mail)));
    }

    [Fact]
    public void A_mail_cut_off_in_the_middle_gives_what_is_there()
    {
        var whole = Bytes(Mail(new Multipart("mixed") { Plain("First words"), Inline("a.gif"), Plain("Lost") }));
        var text = Encoding.ASCII.GetString(whole);
        using var cut = new MemoryStream(whole, 0, text.IndexOf("R0lGODlh", StringComparison.Ordinal) + 12);
        Assert.Equal(["P First words", "F p1"], HtmlReaderTests.Shape(MailReader.Read(cut)));
        using var noBoundary = new MemoryStream(
            Encoding.ASCII.GetBytes("From: a@b.example\r\nContent-Type: multipart/mixed\r\n\r\nJust words")
        );
        MailReader.Read(noBoundary);
    }

    [Fact]
    public void What_is_locked_or_wrapped_is_said_and_the_rest_comes()
    {
        var locked = new MimePart("application", "pkcs7-mime")
        {
            Content = new MimeContent(new MemoryStream([1, 2, 3])),
            FileName = "smime.p7m",
        };
        var blob = new MimeKit.Tnef.TnefPart
        {
            Content = new MimeContent(new MemoryStream([1, 2, 3, 4])),
            FileName = "winmail.dat",
        };
        var read = Read(Mail(new Multipart("mixed") { Plain("Words"), locked, blob, Inline("a.gif") }));
        Assert.Equal(["P Words", "F p1"], HtmlReaderTests.Shape(read));
        Assert.Equal(["The mail's content", "winmail.dat"], read.LeftOut.Select(l => l.Name));
    }

    [Fact]
    public void Two_hundred_attachments_all_come_in_order()
    {
        var mixed = new Multipart("mixed") { Plain("Many") };
        for (var i = 0; i < 200; i++)
            mixed.Add(Inline($"kite-{i:000}.gif"));
        var read = Read(Mail(mixed));
        Assert.Equal(Enumerable.Range(0, 200).Select(i => $"kite-{i:000}.gif"), read.Pictures.Select(p => p.FileName));
    }

    [Fact]
    public void Pictures_read_at_the_same_time_do_not_take_each_others_bytes()
    {
        var files = Enumerable
            .Range(0, 16)
            .Select(i => Enumerable.Range(0, 200_000).Select(j => (byte)(j * (i + 3))).ToArray())
            .ToArray();
        var mixed = new Multipart("mixed") { Plain("Many") };
        foreach (var file in files)
            mixed.Add(
                new MimePart("image", "jpeg")
                {
                    Content = new MimeContent(new MemoryStream(file)),
                    ContentTransferEncoding = ContentEncoding.Base64,
                }
            );
        var read = Read(Mail(mixed));
        Parallel.For(0, files.Length, i => Assert.Equal(files[i], Bytes(read.Pictures[i])));
    }

    [Theory]
    [InlineData("")]
    [InlineData("%PDF-1.7 not a mail")]
    [InlineData("\u0089PNG\r\n")]
    public void What_is_no_mail_is_refused_with_what_to_do(string content)
    {
        using var stream = new MemoryStream(Encoding.Latin1.GetBytes(content));
        Assert.Contains(
            "as .eml",
            Assert.Throws<UnreadableException>(() => MailReader.Read(stream)).Message,
            StringComparison.Ordinal
        );
    }

    private static MimeMessage Mail(MimeEntity body)
    {
        var mail = new MimeMessage
        {
            Subject = "Lantern night",
            Body = body,
            Date = new DateTimeOffset(2026, 5, 3, 9, 0, 0, TimeSpan.Zero),
        };
        mail.From.Add(new MailboxAddress("Ana Verhulst", "ana@sands.example"));
        return mail;
    }

    private static TextPart Plain(string text) => new("plain") { Text = text };

    private static MimePart Inline(string name) =>
        new("image", "gif")
        {
            FileName = name,
            Content = new MimeContent(new MemoryStream(Gif)),
            ContentDisposition = new ContentDisposition(ContentDisposition.Inline),
            ContentTransferEncoding = ContentEncoding.Base64,
        };

    private static byte[] Bytes(MimeMessage mail)
    {
        using var stream = new MemoryStream();
        mail.WriteTo(stream);
        return stream.ToArray();
    }

    private static byte[] Bytes(FoundPicture picture)
    {
        using var opened = Assert.IsType<PictureContent.AtHand>(picture.Content).Open();
        using var all = new MemoryStream();
        opened.CopyTo(all);
        return all.ToArray();
    }

    private static Proposal Read(MimeMessage mail)
    {
        var stream = new MemoryStream(Bytes(mail));
        return MailReader.Read(stream);
    }
}
