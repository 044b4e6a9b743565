namespace Kalypto.Core.Rendering;

/// <summary>How hard an encoder tries to make a file small.</summary>
public enum Effort
{
    /// <summary>For a quick look on the screen.</summary>
    Quick,
    /// <summary>For a file that is delivered: the smallest that shows the same pixels.</summary>
    Best,
}
