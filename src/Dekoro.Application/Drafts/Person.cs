namespace Dekoro.Application.Drafts;

/// <summary>
/// Who is at the desk: the name they gave in the bar, which their browser keeps and sends. A name, not a proof of one.
/// </summary>
public sealed class Person(INameOfRequest? request = null)
{
    private const int MaxName = 80;

    private static readonly AsyncLocal<string?> Lent = new();

    /// <summary>
    /// For what runs from here on with no request: the name to write down instead of the machine's own.
    /// </summary>
    public static void Lend(string name) => Lent.Value = name;

    /// <summary>Empty where nobody said; on the command line the machine's own name for whoever runs it.</summary>
    public string Now
    {
        get
        {
            if (request?.Name is not { } name)
                return Lent.Value ?? Environment.UserName;
            return new string([.. name.Trim().Where(c => !char.IsControl(c)).Take(MaxName)]);
        }
    }
}
