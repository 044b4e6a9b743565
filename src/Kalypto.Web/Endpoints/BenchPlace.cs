namespace Kalypto.Web.Endpoints;

/// <summary>Where a page stands and what it has picked.</summary>
/// <param name="Design">The design.</param>
/// <param name="Screen">The layer that stands for the screen.</param>
/// <param name="Since">The version of the bench that the page knows; null for none.</param>
/// <param name="Layers">Ordinals of the layers meant; null for none.</param>
internal record BenchPlace(int Design, int Screen, string? Since, int[]? Layers);
