namespace Dekoro.Server.Work;

/// <summary>Who is at the desk: the name they gave in the bar, which their browser keeps and sends. A name, not a proof of one.</summary>
public sealed class Person(IHttpContextAccessor requests)
{
    public const string Cookie = "person";
    private const int MostName = 80;

    private static readonly AsyncLocal<string?> Lent = new();

    /// <summary>For what runs from here on with no request: the name to write down instead of the machine's own.</summary>
    public static void Lend(string name) => Lent.Value = name;

    /// <summary>Empty where nobody said; on the command line the machine's own name for whoever runs it.</summary>
    public string Now
    {
        get
        {
            if (requests.HttpContext is not { } context) return Lent.Value ?? Environment.UserName;
            var name = Uri.UnescapeDataString(context.Request.Cookies[Cookie] ?? "").Trim();
            return new string([.. name.Where(c => !char.IsControl(c)).Take(MostName)]);
        }
    }
}
