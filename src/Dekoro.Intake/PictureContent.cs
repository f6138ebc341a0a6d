namespace Dekoro.Intake;

/// <summary>The bytes of a found picture: at hand, or still to be fetched.</summary>
public abstract record PictureContent
{
    private PictureContent() { }

    /// <param name="Open">A new stream at its start; the caller closes it.</param>
    public sealed record AtHand(Func<Stream> Open) : PictureContent;

    /// <param name="Address">On another server: fetched once through the intake, never linked to.</param>
    public sealed record Remote(Uri Address) : PictureContent;
}
