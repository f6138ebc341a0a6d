using Dekoro.Application.Preview;

namespace Dekoro.Application.Publication;

/// <summary>A page that has to be written.</summary>
internal sealed record DuePage(KnownPage Page, string Fingerprint)
{
    public string Key => "page " + Page.Page.Id;
}
