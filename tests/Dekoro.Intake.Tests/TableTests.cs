using System.Text;
using CsCheck;
using Dekoro.Core.Editing;
using Dekoro.Core.Geometry;
using Dekoro.Core.Media;

namespace Dekoro.Intake.Tests;

public sealed class TableTests
{
    private static readonly Gen<string> Text = Gen.OneOf(
        Gen.String[Gen.Char.AlphaNumeric, 0, 20],
        Gen.OneOfConst(
            "a,b",
            "say \"so\"",
            "two\nlines",
            "=1+1",
            " spaces ",
            "مهرجان",
            "凧",
            "semi;colon",
            "tab\there",
            "'",
            "\r\n",
            "😀"
        ),
        Gen.Const("")
    );

    [Fact]
    public void What_is_written_reads_as_the_same_whatever_the_words()
    {
        var rows = Gen.Select(
            Text,
            Text,
            Text,
            Gen.Double[0, 0.5],
            Gen.Int[0, 3],
            Gen.Int[-100, 100],
            (a, b, c, x, turns, light) =>
                TableRow.Of(
                    $"kite-{turns}.jpg",
                    "id",
                    new PictureMetadata(a, b, c, Folder: b, Source: c),
                    turns == 0 ? null : new FocalRegion(x, x / 2, 0.3, 0.25),
                    Edits.None.Turned(turns).Adjusted(Adjustments.Of(light: light))
                )
        );
        rows.List[0, 12]
            .Sample(all =>
            {
                var read = LibraryTable.Read(Encoding.UTF8.GetBytes(LibraryTable.Write(all)));
                Assert.Empty(read.LeftOut);
                Assert.Equal(all, read.Rows);
            });
    }

    [Fact]
    public void Own_columns_go_through_a_table_and_an_empty_cell_takes_a_word_out()
    {
        Gen.Select(Gen.OneOfConst("Maker", "Inventory number", "Jahr", "凧師"), Text.Where(t => t.Trim().Length > 0))
            .Array[1, 4]
            .List[1, 5]
            .Sample(all =>
            {
                var was = all.Select(own => new PictureMetadata("Kite")
                    {
                        Own = CustomFields.Of(own.Select(o => KeyValuePair.Create(o.Item1, o.Item2))),
                    })
                    .ToList();
                var read = LibraryTable.Read(
                    Encoding.UTF8.GetBytes(
                        LibraryTable.Write(was.Select((w, i) => TableRow.Of($"{i}.jpg", "", w, null, Edits.None)))
                    )
                );
                Assert.Empty(read.LeftOut);
                Assert.Equal(was, read.Rows.Select(r => r.On(new PictureMetadata("Kite"))));
                // Over what another library holds there, the table's word or its empty cell stands.
                var other = new PictureMetadata("Kite")
                {
                    Own = CustomFields.Of([KeyValuePair.Create("maker", "someone"), KeyValuePair.Create("Shelf", "4")]),
                };
                foreach (var (row, words) in read.Rows.Zip(was))
                {
                    var now = row.On(other).Own;
                    Assert.Equal("4", now["shelf"]);
                    if (was.Any(w => w.Own.ContainsKey("Maker")))
                        Assert.Equal(words.Own.GetValueOrDefault("Maker"), now.GetValueOrDefault("Maker"));
                }
            });
        Assert.Equal(
            "Column “<b> (own)”",
            Assert.Single(LibraryTable.Read("file,<b> (own)\na.jpg,x"u8.ToArray()).LeftOut).Name
        );
    }

    [Theory]
    [InlineData("File;Alt text\nkite.jpg;Ein Drachen über dem Sand", "windows-1252")]
    [InlineData("filename\talternative text\nkite.jpg\tEin Drachen über dem Sand", "utf-8")]
    [InlineData("FILE NAME,ALT\n\"kite.jpg\",\"Ein Drachen über dem Sand\"\n", "utf-16")]
    public void Tables_of_other_programs_are_read_in_their_own_delimiters_headings_and_letters(
        string table,
        string encoding
    )
    {
        TextDecoding.Decode([]);
        var with = Encoding.GetEncoding(encoding);
        var row = Assert.Single(LibraryTable.Read([.. with.GetPreamble(), .. with.GetBytes(table)]).Rows);
        Assert.Equal(("kite.jpg", "Ein Drachen über dem Sand", null), (row.File, row.Alt, row.Title));
    }

    [Fact]
    public void A_document_of_an_office_program_is_no_table_and_what_to_do_is_said() =>
        Assert.Contains(
            "save the table as CSV",
            Assert.Throws<UnreadableException>(() => LibraryTable.Read([.. "PK"u8, 3, 4, 20, 0, 6, 0])).Message,
            StringComparison.Ordinal
        );

    [Fact]
    public void Columns_and_lines_that_say_nothing_are_named_and_the_others_come()
    {
        var read = LibraryTable.Read([
            .. "file,price,title,keep area,edits\na.jpg,3,A,1 2 3,{}\n,4,nobody,,\n"u8,
            .. "b.jpg,5,B,0.1 0.1 0.5 0.5,\"{\"\"turn\"\":1}\"\n"u8,
        ]);
        Assert.Equal(["a.jpg", "b.jpg"], read.Rows.Select(r => r.File));
        Assert.Equal(
            (new FocalRegion(0.1, 0.1, 0.5, 0.5), Edits.None.Turned()),
            (read.Rows[1].Keep!.Value, read.Rows[1].Edits)
        );
        Assert.Equal(["Column “price”", "Line 2", "Line 3"], read.LeftOut.Select(l => l.Name));
    }

    [Theory]
    [InlineData("")]
    [InlineData("title,alt\nA,B")]
    public void What_names_no_files_is_refused_with_what_to_do(string content) =>
        Assert.Contains(
            "column",
            Assert.Throws<UnreadableException>(() => LibraryTable.Read(Encoding.UTF8.GetBytes(content))).Message,
            StringComparison.Ordinal
        );
}
