namespace Kalypto.Store;

/// <summary>Something to draw.</summary>
/// <param name="Key">The key under which the result is kept.</param>
/// <param name="Draft">The draft.</param>
/// <param name="Ordinal">The layer.</param>
/// <param name="Without">Layers in it that stay out.</param>
/// <param name="Picture">What to draw; null to look where the ink is.</param>
public sealed record DrawingJob(string Key, int Draft, int Ordinal, IReadOnlyList<int> Without, PictureJob? Picture);
