namespace Dekoro.Imaging;

/// <summary>
/// How much work goes into making files small: least takes half the time for the demo site, and its files are a tenth
/// larger.
/// </summary>
public enum EncodingEffort
{
    Usual,
    Least,
}
