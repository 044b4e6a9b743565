namespace Kalypto.Web.Endpoints;

/// <summary>What an edit has to say.</summary>
/// <param name="Message">What was done, for people; null for nothing.</param>
/// <param name="Mistakes">What was not understood; null for nothing.</param>
/// <param name="Pick">Layers to be picked now; null for those picked already.</param>
internal sealed record BenchSaid(string? Message = null, IReadOnlyList<string>? Mistakes = null, IReadOnlyList<int>? Pick = null)
{
    public static BenchSaid Nothing { get; } = new();
}
