namespace Dekoro.Intake;

/// <summary>Reads the HTML of a gallery made elsewhere.</summary>
public static class GalleryReader
{
    /// <inheritdoc cref="HtmlReader.Read"/>
    public static Proposal Read(string html, Uri? address = null)
    {
        var pieces = new Pieces();
        var title = new HtmlWalk(pieces, address, _ => null).ReadGallery(html);
        return pieces.ToProposal(ProposalKind.WebPage, title, address?.Host ?? "", null);
    }
}
