using System.Text;
using CsCheck;
using Dekoro.Core.Links;
using Dekoro.Core.Media;

namespace Dekoro.Core.Tests.Media;

public sealed class DownloadTests
{
    private static byte[] Latin(string text) => Encoding.Latin1.GetBytes(text);

    [Theory]
    [InlineData("%PDF-1.7\n", "a.exe", "pdf")]
    [InlineData("PK\x03\x04", "walk.zip", "zip")]
    [InlineData("PK\x03\x04", "walk.docx", "docx")]
    [InlineData("\0\0\0\u0020ftypisom\0\0\0\0", "a.mov", "mp4")]
    [InlineData("\0\0\0\u0020ftypM4A \0\0\0\0", "a", "m4a")]
    [InlineData("\x1A\u0045\xDF\xA3\x01webm", "a", "webm")]
    [InlineData("OggS\0", "a", "ogg")]
    [InlineData("RIFF\0\0\0\0WAVEfmt ", "a", "wav")]
    [InlineData("ID3\x04", "a", "mp3")]
    [InlineData("\xFF\xFB\x90", "a", "mp3")]
    [InlineData("Flying day, 3 May\r\n", "days.csv", "csv")]
    public void A_file_is_what_its_bytes_say(string head, string name, string ending) =>
        Assert.Equal(ending, DownloadTypes.Of(Latin(head), name)?.Ending);

    [Theory]
    [InlineData("MZ\x90\0", "letter.txt")]
    [InlineData("\x7FELF", "letter.pdf")]
    [InlineData("<html><script>", "page.txt")]
    [InlineData("#!/bin/sh\n", "days.csv")]
    [InlineData("plain words", "page.html")]
    [InlineData("plain words", "tool.js")]
    [InlineData("\0\0\0\u0020ftypheic\0\0\0\0", "a.mp4")]
    [InlineData("\0\u0001\0\0\0\u0010", "type.ttf")]
    [InlineData("wOF2", "type.woff2")]
    [InlineData("", "a.txt.")]
    public void What_could_act_or_is_of_no_known_kind_is_not_kept(string head, string name) =>
        Assert.Null(DownloadTypes.Of(Latin(head), name));

    [Fact]
    public void Any_bytes_at_all_get_an_answer() =>
        Gen.Select(Gen.Byte.Array[0, 64], Gen.OneOfConst("a.txt", "a.pdf", "a", ".csv", "a.docx"))
            .Sample((bytes, name) => DownloadTypes.Of(bytes, name) is null or { Ending.Length: > 1 });

    [Fact]
    public void Text_of_any_script_is_text_even_where_the_look_at_it_ends_inside_a_letter()
    {
        var whole = Encoding.UTF8.GetBytes("凧揚げの日 кайт قلعة");
        for (var end = 1; end <= whole.Length; end++)
            Assert.Equal(DownloadKind.Text, DownloadTypes.Of(whole.AsSpan(0, end), "days.txt")?.Kind);
    }

    [Fact]
    public void No_two_files_share_an_address_and_a_newcomer_takes_nobody_elses() =>
        Gen.OneOfConst("Programme", "programme", "Программа", "—", "Programme 2")
            .List[1, 12]
            .Sample(titles =>
            {
                var all = titles
                    .Select(
                        (title, i) =>
                            new Download(
                                $"id{i}",
                                "x",
                                new(DownloadKind.Pdf, "application/pdf", "pdf"),
                                1,
                                title,
                                "",
                                "",
                                false
                            )
                    )
                    .ToList();
                var names = Download.PublicNames(all);
                Assert.Equal(all.Count, names.Values.Distinct(StringComparer.OrdinalIgnoreCase).Count());
                Assert.All(names.Values, name => Assert.Matches("^[a-z0-9-]+\\.pdf$", name));
                var fewer = Download.PublicNames(all.SkipLast(1));
                Assert.All(fewer, f => Assert.Equal(f.Value, names[f.Key]));
            });

    [Theory]
    [InlineData("prog", true)]
    [InlineData("PDF flying", true)]
    [InlineData("\"flying\" days", true)]
    [InlineData("", true)]
    [InlineData("ogramme", false)]
    [InlineData("flying sound", false)]
    public void A_file_is_found_by_the_beginnings_of_its_words(string search, bool found) =>
        Assert.Equal(
            found,
            new Download(
                "id",
                "programme_v2.pdf",
                new(DownloadKind.Pdf, "application/pdf", "pdf"),
                1,
                "Flying days",
                "",
                "Printed",
                false
            ).Answers(search)
        );

    [Fact]
    public void A_link_to_a_file_is_read_by_id_or_by_its_address_and_refused_when_it_is_gone()
    {
        var site = SiteAddresses.None with
        {
            FileById = new Dictionary<string, LinkedFile>
            {
                ["f1"] = new("files/programme.pdf", "Programme", "PDF", 84_000),
            },
        };
        Assert.Equal(new Link.File("f1"), LinkReader.Read("file-in-library:f1", site).Link);
        Assert.Equal(new Link.File("f1"), LinkReader.Read("/files/programme.pdf", site).Link);
        Assert.Contains("is gone", LinkReader.Read("file-in-library:f2", site).Error, StringComparison.Ordinal);
        Assert.False(new Link.File("f1").OpensNewWindow);
    }
}
