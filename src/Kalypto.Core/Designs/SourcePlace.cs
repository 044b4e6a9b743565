namespace Kalypto.Core.Designs;

/// <summary>Where the name of an element begins in the file that it came in by.</summary>
/// <param name="Line">From 1; 0 for an element that is in no file.</param>
/// <param name="Column">From 1.</param>
public readonly record struct SourcePlace(int Line, int Column)
{
    /// <summary>True for an element of a file.</summary>
    public bool IsKnown => Line > 0;
}
