using Dekoro.Core.Content;

namespace Dekoro.Intake.Tests;

/// <summary>Forty saved pieces of very different HTML; beside each, what comes through of it, in order.</summary>
public sealed class FragmentTests
{
    private static readonly string Folder = Path.Combine(AppContext.BaseDirectory, "fragments");

    public static TheoryData<string> Names =>
        [.. Directory.GetFiles(Folder, "*.html").Select(f => Path.GetFileNameWithoutExtension(f)!).Order()];

    [Theory]
    [MemberData(nameof(Names))]
    public void Words_order_and_pictures_come_through(string name)
    {
        var read = HtmlReader.Read(
            File.ReadAllText(Path.Combine(Folder, name + ".html")),
            new Uri("https://kites.example/news/")
        );
        var lines = HtmlReaderTests
            .Shape(read)
            .Concat(
                read.Pictures.Select(p =>
                    $"picture {p.Key} {(p.Content is PictureContent.Remote far ? far.Address : "at hand")} "
                    + $"“{p.Words.Alt}”"
                )
            )
            .Concat(read.LeftOut.Select(l => "left out: " + l.Name));
        var expected = Path.Combine(Folder, name + ".txt");
        if (Environment.GetEnvironmentVariable("DEKORO_WRITE_FRAGMENTS") is { } to)
            File.WriteAllLines(Path.Combine(to, name + ".txt"), lines);
        Assert.Equal(File.ReadAllLines(expected), lines);
        // Nothing that acts: what is kept are records of known kinds, and every link is one the reader of links lets
        // through.
        Assert.All(read.Words.Blocks.SelectMany(TextRuns.In).Select(r => r.Run.Link).OfType<string>(), link =>
            Assert.Matches("^(https?://|mailto:|tel:|#)", link)
        );
    }

    [Fact]
    public void There_are_forty() => Assert.Equal(40, Names.Count);
}
