namespace Kalypto.Store;

/// <summary>Something to draw.</summary>
/// <param name="Key">The key under which the result is kept.</param>
/// <param name="Draft">The draft.</param>
/// <param name="Ordinal">The layer.</param>
/// <param name="Without">Layers in it that stay out.</param>
/// <param name="Arrangement">The arrangement that the layer is made by; empty for a layer of the file.</param>
/// <param name="Picture">What to draw; null to look where the ink is, or to prove a screen.</param>
public sealed record DrawingJob(string Key, int Draft, int Ordinal, IReadOnlyList<int> Without, string Arrangement, PictureJob? Picture)
{
    /// <summary>True when proof has shown that the exact engine is needed; whoever draws it need not know of the proof.</summary>
    public bool IsExact { get; init; }

    /// <summary>The fonts of the project that the drawing asks for, as JSON; empty for none.</summary>
    public string Fonts { get; init; } = "";

    /// <summary>True to draw something by both engines and compare: the picture, or where there is none the screen that the layer stands for.</summary>
    public bool IsProof { get; init; }
}
