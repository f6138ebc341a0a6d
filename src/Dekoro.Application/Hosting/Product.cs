namespace Dekoro.Application.Hosting;

/// <summary>What the program says of itself.</summary>
public static class Product
{
    /// <summary>As in "0.1.0".</summary>
    public static string Version => typeof(Product).Assembly.GetName().Version!.ToString(3);
}
