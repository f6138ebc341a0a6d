using System.Text;

namespace Dekoro.Storage;

/// <summary>
/// Migrations as they are written: statements end with a semicolon at a line's end, triggers with END;.
/// </summary>
internal static class SqlScript
{
    public static IEnumerable<string> StatementsOf(string script)
    {
        var (statement, isTrigger) = (new StringBuilder(), false);
        foreach (var line in script.Split('\n'))
        {
            var words = line.Split("--")[0].Trim();
            if (words.Length == 0)
                continue;
            if (statement.Length == 0)
                isTrigger = words.StartsWith("CREATE TRIGGER", StringComparison.Ordinal);
            statement.Append(line).Append('\n');
            if (!(isTrigger ? words == "END;" : words.EndsWith(';')))
                continue;
            yield return statement.ToString();
            statement.Clear();
        }
        if (statement.Length > 0)
            yield return statement.ToString();
    }
}
