namespace Dekoro.Intake;

/// <summary>Bytes written into an address (RFC 2397).</summary>
internal static class DataAddress
{
    private const int MaxCharacters = 60_000_000;

    /// <returns>Null where it holds no bytes that can be read.</returns>
    public static byte[]? Read(string address)
    {
        var comma = address.IndexOf(',', StringComparison.Ordinal);
        if (comma < 0 || address.Length > MaxCharacters)
            return null;
        var body = address[(comma + 1)..];
        try
        {
            return address[..comma].EndsWith(";base64", StringComparison.OrdinalIgnoreCase)
                ? Convert.FromBase64String(Uri.UnescapeDataString(body))
                : System.Text.Encoding.UTF8.GetBytes(Uri.UnescapeDataString(body));
        }
        catch (FormatException)
        {
            return null;
        }
    }
}
