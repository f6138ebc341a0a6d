namespace Dekoro.Core.Links;

/// <summary>Where a link leads. <see cref="Written"/> is how it is kept in a document and read back.</summary>
public abstract record Link
{
    private Link() { }

    /// <summary>As it is kept in a document and typed by hand.</summary>
    public abstract string Written { get; }

    /// <summary>A page of this site, by its id, so that renaming it breaks nothing.</summary>
    public sealed record Page(string PageId, string? Fragment = null) : Link
    {
        /// <summary>Begins a link to a page as it is kept.</summary>
        public const string Scheme = "page:";

        /// <inheritdoc/>
        public override string Written => Scheme + PageId + (Fragment is null ? "" : "#" + Fragment);
    }

    /// <summary>A file of the library that is no picture, by its id, so that renaming it breaks nothing.</summary>
    public sealed record File(string FileId) : Link
    {
        /// <summary>Begins a link to a file as it is kept.</summary>
        public const string Scheme = "file-in-library:";

        /// <inheritdoc/>
        public override string Written => Scheme + FileId;
    }

    /// <summary>An absolute http or https address.</summary>
    public sealed record Web(string Address) : Link
    {
        /// <inheritdoc/>
        public override string Written => Address;
    }

    /// <summary>A mail address.</summary>
    public sealed record Mail(string Address) : Link
    {
        /// <inheritdoc/>
        public override string Written => "mailto:" + Address;
    }

    /// <summary>A telephone number in the global form of RFC 3966, or a local one as it was typed.</summary>
    public sealed record Telephone(string Number) : Link
    {
        /// <inheritdoc/>
        public override string Written => "tel:" + Number;
    }

    /// <summary>A place on the same page.</summary>
    public sealed record Here(string Id) : Link
    {
        /// <inheritdoc/>
        public override string Written => "#" + Id;
    }

    /// <summary>Own pages open in the same window, others in a new one.</summary>
    public bool OpensNewWindow => this is Web;
}
