namespace Dekoro.Storage;

/// <summary>How far it is.</summary>
public enum DepositState
{
    Waiting,
    Handed,
    Refused,
}
