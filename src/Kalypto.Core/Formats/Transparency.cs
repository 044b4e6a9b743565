namespace Kalypto.Core.Formats;

/// <summary>What a format can show of what lies behind a picture.</summary>
public enum Transparency
{
    /// <summary>Every degree of it.</summary>
    Full,
    /// <summary>A pixel is there or it is not.</summary>
    OneBit,
    /// <summary>None: a colour has to lie under the picture.</summary>
    None,
}
