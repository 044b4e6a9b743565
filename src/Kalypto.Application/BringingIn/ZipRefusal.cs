namespace Kalypto.Application.BringingIn;

/// <summary>What is wrong with a zip.</summary>
public enum ZipRefusal
{
    /// <summary>It is not whole.</summary>
    NotWhole,
    /// <summary>It holds more entries than may come in at once.</summary>
    TooMany,
    /// <summary>It holds no drawing.</summary>
    NoDrawing,
}
