namespace Dekoro.Core.Planning;

/// <summary>Bytes of pictures on the commonest device of a class.</summary>
/// <param name="AtOnce">Fetched when the page opens.</param>
/// <param name="Later">Fetched on scrolling.</param>
public readonly record struct Weight(double AtOnce, double Later)
{
    /// <summary>All bytes, whenever they come.</summary>
    public double All => AtOnce + Later;
}
