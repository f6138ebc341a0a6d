namespace Dekoro.Application.ToArchive;

/// <summary>What is to be done about a deposit that did not go through.</summary>
public enum DepositFailure
{
    /// <summary>This one is tried again by itself.</summary>
    Later,

    /// <summary>The archive is not there, for this one or any other: it is left alone for a while.</summary>
    Away,

    /// <summary>It waits until somebody sets something in Site.</summary>
    Settings,

    /// <summary>The archive does not take this picture.</summary>
    Refused,
}
