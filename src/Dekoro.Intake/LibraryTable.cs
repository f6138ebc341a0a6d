using System.Collections.Immutable;
using System.Globalization;
using CsvHelper;
using CsvHelper.Configuration;
using Dekoro.Core.Editing;
using Dekoro.Core.Geometry;
using Dekoro.Core.Library;

namespace Dekoro.Intake;

/// <summary>A line of a table of pictures: what it says of one file. Null: the table has no such column.</summary>
/// <param name="File">The file's name, within a bundle with its folders.</param>
/// <param name="Id">The picture's id in the library it came from; empty where the table does not say.</param>
/// <param name="Keep">Keep area drawn by hand; null for none.</param>
/// <param name="Edits">Of the version in use; null where the table does not say.</param>
/// <param name="Own">Under the site's own columns; an empty text takes a word out.</param>
public sealed record TableRow(
    string File, string Id, string? Title = null, string? Alt = null, string? Caption = null, string? Description = null, string? Credit = null, string? Rights = null,
    string? Folder = null, string? Source = null, KeepBox? Keep = null, Edits? Edits = null, string? Keywords = null, IReadOnlyDictionary<string, string>? Own = null)
{
    /// <summary>Words with what the table says put in.</summary>
    public Words On(Words was) => was.With(Title, Alt, Caption, Description, Credit, Rights, Folder, Source, Keywords, Own);

    public static TableRow Of(string file, string id, Words words, KeepBox? keep, Edits edits) =>
        new(file, id, words.Title, words.Alt, words.Caption, words.Description, words.Credit, words.Rights, words.Folder, words.Source, keep, edits, words.Keywords, words.Own.Count == 0 ? null : words.Own);
}

/// <param name="LeftOut">Lines and columns that were not understood, each with what to do.</param>
public sealed record TableReading(ImmutableArray<TableRow> Rows, ImmutableArray<LeftOut> LeftOut);

/// <summary>The library's words as a table (CSV, RFC 4180), written and read again without loss.</summary>
public static class LibraryTable
{
    private const int MostRows = 200_000;

    private static readonly string[] Columns = ["file", "id", "title", "alt text", "caption", "description", "credit", "rights", "folder", "source", "keywords", "keep area", "edits"];

    /// <summary>Other words for a column, as spreadsheets and other programs head them.</summary>
    private static readonly Dictionary<string, string> AlsoCalled = new(StringComparer.OrdinalIgnoreCase)
    {
        ["filename"] = "file",
        ["file name"] = "file",
        ["name"] = "title",
        ["alt"] = "alt text",
        ["alternative text"] = "alt text",
        ["copyright"] = "rights",
        ["author"] = "credit",
        ["photographer"] = "credit",
        ["tags"] = "keywords",
    };

    /// <summary>Ends the heading of a column of the site's own, so that another library knows it for one.</summary>
    private const string OwnMark = " (own)";

    public static string Write(IEnumerable<TableRow> all)
    {
        var rows = all.ToList();
        var own = rows.SelectMany(r => r.Own ?? OwnWords.None).Select(w => w.Key).Distinct(StringComparer.OrdinalIgnoreCase).Order(StringComparer.OrdinalIgnoreCase).ToList();
        using var text = new StringWriter(CultureInfo.InvariantCulture);
        using var csv = new CsvWriter(text, new CsvConfiguration(CultureInfo.InvariantCulture) { InjectionOptions = InjectionOptions.None });
        foreach (var column in Columns.Concat(own.Select(name => name + OwnMark))) csv.WriteField(column);
        csv.NextRecord();
        foreach (var row in rows)
        {
            foreach (var value in new[] { row.File, row.Id, row.Title, row.Alt, row.Caption, row.Description, row.Credit, row.Rights, row.Folder, row.Source, row.Keywords, Written(row.Keep), row.Edits is { } e ? EditsText.Write(e) : "" })
                csv.WriteField(value ?? "");
            foreach (var name in own) csv.WriteField(row.Own?.GetValueOrDefault(name) ?? "");
            csv.NextRecord();
        }
        csv.Flush();
        return text.ToString();
    }

    /// <exception cref="UnreadableException">No table, or one that does not name its files.</exception>
    public static TableReading Read(byte[] content)
    {
        var text = TextDecoding.Decode(content);
        var first = text.Split('\n', 2)[0];
        // Spreadsheets of many countries write semicolons, and copied cells have tabs between.
        var delimiter = new[] { ",", ";", "\t" }.MaxBy(d => first.Split(d).Length)!;
        using var csv = new CsvReader(new StringReader(text), new CsvConfiguration(CultureInfo.InvariantCulture) { Delimiter = delimiter, BadDataFound = null, MissingFieldFound = null, TrimOptions = TrimOptions.None, DetectColumnCountChanges = false });
        var (rows, leftOut) = (ImmutableArray.CreateBuilder<TableRow>(), ImmutableArray.CreateBuilder<LeftOut>());
        try
        {
            if (!csv.Read() || !csv.ReadHeader() || csv.HeaderRecord is null) throw new UnreadableException("This table is empty: its first line names the columns, as in file, title, alt text.");
            var headings = csv.HeaderRecord.Select(h => AlsoCalled.GetValueOrDefault(h.Trim(), h.Trim().ToLowerInvariant())).ToList();
            if (!headings.Contains("file") && !headings.Contains("id"))
                throw new UnreadableException($"This table does not say which file a line is about: head a column “file”. It has {string.Join(", ", csv.HeaderRecord.Take(8).Select(h => $"“{h.Trim()}”"))}.");
            var own = csv.HeaderRecord.Zip(headings, (written, heading) => (Heading: heading, Name: written.Trim()))
                .Where(h => h.Heading.EndsWith(OwnMark, StringComparison.Ordinal)).Select(h => (h.Heading, Name: h.Name[..^OwnMark.Length])).Where(h => OwnWords.IsName(h.Name))
                .DistinctBy(h => h.Heading).ToList();
            foreach (var unknown in headings.Where(h => h.Length > 0 && !Columns.Contains(h) && own.All(o => o.Heading != h)).Distinct()) leftOut.Add(new($"Column “{unknown}”", $"It is not one of {string.Join(", ", Columns)}, so it was not read."));
            while (csv.Read())
            {
                if (rows.Count >= MostRows) throw new UnreadableException($"This table has more than {MostRows} lines: split it.");
                string? Cell(string column) => headings.IndexOf(column) is >= 0 and var i && csv.TryGetField<string>(i, out var value) ? value : null;
                if (string.IsNullOrWhiteSpace(Cell("file")) && string.IsNullOrWhiteSpace(Cell("id")))
                {
                    leftOut.Add(new($"Line {csv.Context.Parser!.Row}", "It names no file, so it was passed over."));
                    continue;
                }
                var keep = KeepOf(Cell("keep area"));
                if (keep is null && !string.IsNullOrWhiteSpace(Cell("keep area"))) leftOut.Add(new($"Line {csv.Context.Parser!.Row}", "Its keep area is not four shares of the picture with spaces between, so the picture's own stays."));
                var edits = Cell("edits") is { } written ? EditsText.Read(written) : null;
                if (edits is null && !string.IsNullOrWhiteSpace(Cell("edits"))) leftOut.Add(new($"Line {csv.Context.Parser!.Row}", "Its edits are not known here, so the original is used."));
                rows.Add(new((Cell("file") ?? "").Trim(), (Cell("id") ?? "").Trim(), Cell("title"), Cell("alt text"), Cell("caption"), Cell("description"), Cell("credit"), Cell("rights"), Cell("folder"), Cell("source"), keep, edits, Cell("keywords"),
                    own.Count == 0 ? null : own.ToDictionary(h => h.Name, h => Cell(h.Heading) ?? "")));
            }
        }
        catch (CsvHelperException e)
        {
            throw new UnreadableException("This is not a table that can be read: save it as CSV from your spreadsheet.", e);
        }
        return new(rows.ToImmutable(), leftOut.ToImmutable());
    }

    private static string Written(KeepBox? keep) => keep is { } k ? string.Create(CultureInfo.InvariantCulture, $"{k.X:R} {k.Y:R} {k.Width:R} {k.Height:R}") : "";

    private static KeepBox? KeepOf(string? text)
    {
        var numbers = (text ?? "").Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(n => double.TryParse(n, NumberStyles.Float, CultureInfo.InvariantCulture, out var v) ? v : double.NaN).ToList();
        try
        {
            return numbers is [var x, var y, var w, var h] ? new KeepBox(x, y, w, h) : null;
        }
        catch (ArgumentOutOfRangeException)
        {
            return null;
        }
    }
}
