using MimeKit;
using static Dekoro.Demo.Draw.Light;

namespace Dekoro.Demo.Draw;

/// <summary>The museum's mailbox: mails with pictures that are not in the library yet.</summary>
internal static class Mails
{
    private static readonly Recipe[] Pictures =
    [
        new("IMG_4471.jpg", "lanterns", 1600, Winter, new(0.1, 0.1, 0.7, 0.8), Mirror: true, Grain: 2, Quality: 72)
        {
            Credit = "Idris Moult",
        },
        new("IMG_4478.jpg", "night", 1500, Noon, new(0.1, 0.1, 0.85, 0.7), Grain: 2, Quality: 72)
        {
            Credit = "Idris Moult",
        },
        new(
            "bench with three new kites.jpg",
            "bench",
            1400,
            Overcast,
            new(0.2, 0.1, 0.75, 0.85),
            Mirror: true,
            Grain: 2,
            Quality: 72
        )
        {
            Credit = "Hana Okafor",
        },
        new("DSC00231.jpg", "silk", 1300, Winter, new(0.1, 0.1, 0.85, 0.85), Mirror: true, Grain: 2, Quality: 70)
        {
            Credit = "Hana Okafor",
        },
        new("reel, close.jpg", "reel", 1200, Winter, new(0.05, 0.1, 0.8, 0.8), Grain: 2, Quality: 72)
        {
            Credit = "Hana Okafor",
        },
        new(
            "year four on the beach.jpg",
            "children",
            1500,
            Overcast,
            new(0.05, 0.2, 0.9, 0.8),
            Mirror: true,
            Grain: 2,
            Quality: 70
        )
        {
            Credit = "Joan Petrie",
        },
    ];

    public static void Write(string scenes, string folder)
    {
        Directory.CreateDirectory(folder);
        var work = Directory.CreateTempSubdirectory("dekoro-mail").FullName;
        try
        {
            foreach (var (picture, i) in Pictures.Select((p, i) => (p, i)))
                Studio.Draw(picture, scenes, work, seed: 500 + i);
            string Of(string name) => Path.Combine(work, name);
            Save(Lanterns(Of), folder, "lantern-evening.eml");
            Save(Bench(Of), folder, "new-on-the-bench.eml");
            Save(School(Of), folder, "school-flight.eml");
        }
        finally
        {
            Directory.Delete(work, recursive: true);
        }
    }

    private static MimeMessage Lanterns(Func<string, string> of)
    {
        var builder = new BodyBuilder();
        var first = builder.LinkedResources.Add(of("IMG_4471.jpg"));
        var second = builder.LinkedResources.Add(of("IMG_4478.jpg"));
        (first.ContentId, second.ContentId) = ("sea@windle-sands.example", "moon@windle-sands.example");
        builder.HtmlBody = """
            <p>On Saturday sixty-one lanterns went up from the beach, more than in any year before. The wind
            turned at seven, just in time.</p>
            <p><img src="cid:sea@windle-sands.example" width="640"></p>
            <h3>After the tide</h3>
            <p>At half past eight the sea was far enough out to walk along the wet sand, and the lanterns
            stood in it twice.</p>
            <p><img src="cid:moon@windle-sands.example" width="640"></p>
            <p>Thank you to everyone who carried a pole. The <b>next evening is on 12 December</b>;
            places can be had from <a href="mailto:lanterns@windle-sands.example">the lantern desk</a>.</p>
            """;
        builder.TextBody = "On Saturday sixty-one lanterns went up from the beach.";
        return Mail(
            "Sixty-one lanterns",
            "Idris Moult",
            "idris@windle-sands.example",
            new(2026, 11, 22, 21, 4, 0, TimeSpan.Zero),
            builder.ToMessageBody()
        );
    }

    private static MimeMessage Bench(Func<string, string> of)
    {
        var builder = new BodyBuilder
        {
            TextBody =
                "Three kites came off the bench this week:\r\na rokkaku, and two small diamonds for the "
                + "children's corner.\r\n\r\nThe silk is the last of the old stock.\r\n\r\nHana\r\n",
        };
        foreach (var name in new[] { "bench with three new kites.jpg", "DSC00231.jpg", "reel, close.jpg" })
            builder.Attachments.Add(of(name));
        return Mail(
            "New on the bench",
            "Hana Okafor",
            "hana@windle-sands.example",
            new(2026, 11, 19, 16, 30, 0, TimeSpan.Zero),
            builder.ToMessageBody()
        );
    }

    /// <summary>
    /// As mail often is: a hotlinked picture, a pixel that counts readers, a sheet that is no picture.
    /// </summary>
    private static MimeMessage School(Func<string, string> of)
    {
        var builder = new BodyBuilder
        {
            HtmlBody = """
                <p>Year 4 flew what they built. One picture is from me, the old sled kite is the one we
                copied, from the archive:</p>
                <p><img src="http://localhost/standins/archive/image/5/full/max/0/default.jpg"
                alt="A sled kite from the archive"></p>
                <p>Could this go on the news page by Friday?</p>
                <img src="https://count.example/open.gif?reader=museum" width="1" height="1">
                """,
        };
        builder.Attachments.Add(of("year four on the beach.jpg"));
        builder.Attachments.Add(
            "timetable.pdf",
            "%PDF-1.4\n%%EOF\n"u8.ToArray(),
            new ContentType("application", "pdf")
        );
        return Mail(
            "Year 4 and their kites",
            "Joan Petrie",
            "joan@skerry-school.example",
            new(2026, 11, 12, 8, 15, 0, TimeSpan.Zero),
            builder.ToMessageBody()
        );
    }

    private static MimeMessage Mail(string subject, string name, string address, DateTimeOffset date, MimeEntity body)
    {
        var mail = new MimeMessage
        {
            Subject = subject,
            Date = date,
            Body = body,
            MessageId = $"{date:yyyyMMdd}@windle-sands.example",
        };
        mail.From.Add(new MailboxAddress(name, address));
        mail.To.Add(new MailboxAddress("Windle Sands Kite Museum", "news@windle-sands.example"));
        return mail;
    }

    private static void Save(MimeMessage mail, string folder, string file)
    {
        mail.WriteTo(Path.Combine(folder, file));
        Console.WriteLine($"{file, -44} {new FileInfo(Path.Combine(folder, file)).Length / 1000, 6} kB");
    }
}
