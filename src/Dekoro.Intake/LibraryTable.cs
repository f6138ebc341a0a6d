using System.Collections.Immutable;
using System.Globalization;
using CsvHelper;
using CsvHelper.Configuration;
using Dekoro.Core.Editing;
using Dekoro.Core.Geometry;
using Dekoro.Core.Media;

namespace Dekoro.Intake;

/// <summary>The library's words as a table (CSV, RFC 4180), written and read again without loss.</summary>
public sealed class LibraryTable
{
    private const int MaxRows = 200_000;

    private static readonly string[] Columns =
    [
        "file",
        "id",
        "title",
        "alt text",
        "caption",
        "description",
        "credit",
        "rights",
        "folder",
        "source",
        "keywords",
        "keep area",
        "edits",
    ];

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

    /// <summary>As CSV, a line for each picture.</summary>
    public static string Write(IEnumerable<TableRow> all)
    {
        var rows = all.ToList();
        var own = rows.SelectMany(r => r.Own ?? CustomFields.None)
            .Select(w => w.Key)
            .Distinct(StringComparer.OrdinalIgnoreCase)
            .Order(StringComparer.OrdinalIgnoreCase)
            .ToList();
        using var text = new StringWriter(CultureInfo.InvariantCulture);
        using var csv = new CsvWriter(
            text,
            new CsvConfiguration(CultureInfo.InvariantCulture) { InjectionOptions = InjectionOptions.None }
        );
        foreach (var column in Columns.Concat(own.Select(name => name + OwnMark)))
            csv.WriteField(column);
        csv.NextRecord();
        foreach (var row in rows)
        {
            foreach (
                var value in new[]
                {
                    row.File,
                    row.Id,
                    row.Title,
                    row.Alt,
                    row.Caption,
                    row.Description,
                    row.Credit,
                    row.Rights,
                    row.Folder,
                    row.Source,
                    row.Keywords,
                    Written(row.Keep),
                    row.Edits is { } e ? EditsText.Write(e) : "",
                }
            )
                csv.WriteField(value ?? "");
            foreach (var name in own)
                csv.WriteField(row.Own?.GetValueOrDefault(name) ?? "");
            csv.NextRecord();
        }
        csv.Flush();
        return text.ToString();
    }

    /// <exception cref="UnreadableException">No table, or one that does not name its files.</exception>
    public static TableReading Read(byte[] content)
    {
        if (!TextDecoding.IsText(content))
            throw new UnreadableException(
                "This is a document of an office program, or no table at all: open it there, save the table as CSV, "
                    + "and give that."
            );
        var text = TextDecoding.Decode(content);
        var first = text.Split('\n', 2)[0];
        // Spreadsheets of many countries write semicolons, and copied cells have tabs between.
        var delimiter = new[] { ",", ";", "\t" }.MaxBy(d => first.Split(d).Length)!;
        using var csv = new CsvReader(
            new StringReader(text),
            new CsvConfiguration(CultureInfo.InvariantCulture)
            {
                Delimiter = delimiter,
                BadDataFound = null,
                MissingFieldFound = null,
                TrimOptions = TrimOptions.None,
                DetectColumnCountChanges = false,
            }
        );
        try
        {
            return new LibraryTable(csv).Read();
        }
        catch (CsvHelperException e)
        {
            throw new UnreadableException(
                "This is not a table that can be read: save it as CSV from your spreadsheet.",
                e
            );
        }
    }

    private readonly CsvReader _csv;
    private readonly List<string> _headings;
    private readonly List<(string Heading, string Name)> _own;
    private readonly ImmutableArray<LeftOut>.Builder _leftOut = ImmutableArray.CreateBuilder<LeftOut>();

    private LibraryTable(CsvReader csv)
    {
        if (!csv.Read() || !csv.ReadHeader() || csv.HeaderRecord is null)
            throw new UnreadableException(
                "This table is empty: its first line names the columns, as in file, title, alt text."
            );
        _csv = csv;
        _headings =
        [
            .. csv.HeaderRecord.Select(h => AlsoCalled.GetValueOrDefault(h.Trim(), h.Trim().ToLowerInvariant())),
        ];
        if (!_headings.Contains("file") && !_headings.Contains("id"))
            throw new UnreadableException(
                "This table does not say which file a line is about: head a column “file”. It has "
                    + $"{string.Join(", ", csv.HeaderRecord.Take(8).Select(h => $"“{h.Trim()}”"))}."
            );
        _own =
        [
            .. csv
                .HeaderRecord.Zip(_headings, (written, heading) => (Heading: heading, Name: written.Trim()))
                .Where(h => h.Heading.EndsWith(OwnMark, StringComparison.Ordinal))
                .Select(h => (h.Heading, Name: h.Name[..^OwnMark.Length]))
                .Where(h => CustomFields.IsName(h.Name))
                .DistinctBy(h => h.Heading),
        ];
    }

    private TableReading Read()
    {
        var unknown = _headings
            .Where(h => h.Length > 0 && !Columns.Contains(h) && _own.All(o => o.Heading != h))
            .Distinct();
        foreach (var column in unknown)
            _leftOut.Add(
                new($"Column “{column}”", $"It is not one of {string.Join(", ", Columns)}, so it was not read.")
            );
        var rows = ImmutableArray.CreateBuilder<TableRow>();
        while (_csv.Read())
        {
            if (rows.Count >= MaxRows)
                throw new UnreadableException($"This table has more than {MaxRows} lines: split it.");
            if (IsBlank("file") && IsBlank("id"))
                LeaveOut("It names no file, so it was passed over.");
            else
                rows.Add(Row());
        }
        return new(rows.ToImmutable(), _leftOut.ToImmutable());
    }

    private TableRow Row()
    {
        var keep = KeepOf(Cell("keep area"));
        if (keep is null && !IsBlank("keep area"))
            LeaveOut(
                "Its keep area is not four shares of the picture with spaces between, so the picture's own stays."
            );
        var edits = Cell("edits") is { } written ? EditsText.Read(written) : null;
        if (edits is null && !IsBlank("edits"))
            LeaveOut("Its edits are not known here, so the original is used.");
        return new(
            (Cell("file") ?? "").Trim(),
            (Cell("id") ?? "").Trim(),
            Cell("title"),
            Cell("alt text"),
            Cell("caption"),
            Cell("description"),
            Cell("credit"),
            Cell("rights"),
            Cell("folder"),
            Cell("source"),
            keep,
            edits,
            Cell("keywords"),
            _own.Count == 0 ? null : _own.ToDictionary(h => h.Name, h => Cell(h.Heading) ?? "")
        );
    }

    private void LeaveOut(string sentence) => _leftOut.Add(new($"Line {_csv.Context.Parser!.Row}", sentence));

    private string? Cell(string column) =>
        _headings.IndexOf(column) is >= 0 and var i && _csv.TryGetField<string>(i, out var value) ? value : null;

    private bool IsBlank(string column) => string.IsNullOrWhiteSpace(Cell(column));

    private static string Written(FocalRegion? keep) =>
        keep is { } k ? string.Create(CultureInfo.InvariantCulture, $"{k.X:R} {k.Y:R} {k.Width:R} {k.Height:R}") : "";

    private static FocalRegion? KeepOf(string? text)
    {
        var numbers = (text ?? "")
            .Split(' ', StringSplitOptions.RemoveEmptyEntries)
            .Select(n =>
                double.TryParse(n, NumberStyles.Float, CultureInfo.InvariantCulture, out var v) ? v : double.NaN
            )
            .ToList();
        try
        {
            return numbers is [var x, var y, var w, var h] ? new FocalRegion(x, y, w, h) : null;
        }
        catch (ArgumentOutOfRangeException)
        {
            return null;
        }
    }
}
