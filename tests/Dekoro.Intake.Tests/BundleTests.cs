using System.IO.Compression;
using System.Text;

namespace Dekoro.Intake.Tests;

public sealed class BundleTests
{
    private static readonly byte[] Gif = Convert.FromBase64String("R0lGODlhAQABAAAAACw=");

    [Fact]
    public void Pictures_come_with_the_words_of_a_table_or_of_a_sidecar_and_folders_stay()
    {
        var read = Read(
            ("shed/kite.gif", Gif),
            ("reel.gif", Gif[..^1]),
            (
                "words.csv",
                Encoding.UTF8.GetBytes("file,title,alt text\nshed/kite.gif,Kite,A red kite\ngone.jpg,Gone,\n")
            ),
            ("reel.xmp", Encoding.UTF8.GetBytes(Xmp("Line reel", "")))
        );
        Assert.Equal(["reel.gif", "kite.gif"], read.Pictures.Select(p => p.FileName));
        var (reel, kite) = (read.Pictures[0].Words, read.Pictures[1].Words);
        Assert.Equal(("Line reel", "Hana"), (reel.Title, reel.Credit));
        Assert.Equal(("Kite", "A red kite", "shed"), (kite.Title, kite.Alt, kite.Folder));
        Assert.Equal(["gone.jpg"], read.LeftOut.Select(l => l.Name));
        using var opened = Assert.IsType<PictureContent.AtHand>(read.Pictures[1].Content).Open();
        Assert.Equal(Gif.Length, opened.Length);
    }

    [Fact]
    public void Names_that_point_outside_stand_twice_or_are_housekeeping_are_met_one_by_one()
    {
        var read = Read(
            ("../../etc/passwd.gif", Gif),
            ("/root.gif", Gif),
            ("C:\\a.gif", Gif),
            ("a/../b.gif", Gif),
            ("good.gif", Gif),
            ("good.gif", Gif),
            ("__MACOSX/._good.gif", Gif),
            (".DS_Store", Gif)
        );
        Assert.Equal(["good.gif"], read.Pictures.Select(p => p.FileName));
        Assert.Equal(5, read.LeftOut.Length);
        Assert.All(read.LeftOut, l => Assert.EndsWith(".", l.Sentence, StringComparison.Ordinal));
    }

    [Fact]
    public void A_bundle_made_to_burst_is_refused_before_it_is_unpacked()
    {
        var error = Assert.Throws<UnreadableException>(() => Read(("bomb.gif", new byte[200 << 20])));
        Assert.Contains("made to fill a disk", error.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void A_sidecar_with_entities_or_damage_costs_its_words_only()
    {
        var billion = "<!DOCTYPE x [<!ENTITY a \"ha\"><!ENTITY b \"&a;&a;&a;&a;&a;&a;&a;&a;\">]>" + Xmp("&b;", "");
        var read = Read(
            ("a.gif", Gif),
            ("a.xmp", Encoding.UTF8.GetBytes(billion)),
            ("b.gif", Gif),
            ("b.gif.xmp", "<x:xmpmeta"u8.ToArray())
        );
        Assert.Equal(2, read.Pictures.Length);
        Assert.All(read.Pictures, p => Assert.Equal("", p.Words.Title));
        Assert.Equal(["a.xmp", "b.gif.xmp"], read.LeftOut.Select(l => l.Name));
    }

    [Fact]
    public void A_damaged_bundle_says_so()
    {
        using var stream = new MemoryStream([.. "PK\x03\x04"u8, .. new byte[60]]);
        Assert.Contains(
            "pack it again",
            Assert.Throws<UnreadableException>(() => BundleReader.Read(stream, "x.zip")).Message,
            StringComparison.Ordinal
        );
    }

    private static string Xmp(string title, string alt) =>
        $"""
            <x:xmpmeta xmlns:x="adobe:ns:meta/"><rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#">
            <rdf:Description rdf:about="" xmlns:dc="http://purl.org/dc/elements/1.1/"
              xmlns:desk="https://windle-sands.example/words/" desk:Credit="Hana">
            <dc:title><rdf:Alt><rdf:li xml:lang="x-default">{title}</rdf:li></rdf:Alt></dc:title><dc:description>
            <rdf:Alt><rdf:li xml:lang="x-default">{alt}</rdf:li></rdf:Alt></dc:description></rdf:Description></rdf:RDF>
            </x:xmpmeta>
            """;

    private static Proposal Read(params (string Name, byte[] Content)[] files)
    {
        var stream = new MemoryStream();
        using (var zip = new ZipArchive(stream, ZipArchiveMode.Create, leaveOpen: true))
        {
            foreach (var (name, content) in files)
            {
                using var entry = zip.CreateEntry(name).Open();
                entry.Write(content);
            }
        }
        stream.Position = 0;
        return BundleReader.Read(stream, "bundle.zip");
    }
}
