namespace Dekoro.Application.ToArchive;

/// <summary>A deposit did not go through; the message is a sentence for the person.</summary>
public sealed class DepositException(DepositFailure failure, string sentence, TimeSpan? after = null)
    : Exception(sentence)
{
    /// <summary>What is to be done about it.</summary>
    public DepositFailure Failure => failure;

    /// <summary>So long the archive asks to be left alone; null where it does not say.</summary>
    public TimeSpan? After => after;
}
