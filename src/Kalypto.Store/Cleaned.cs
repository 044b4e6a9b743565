
namespace Kalypto.Store;

/// <summary>What one cleaning removed, counted.</summary>
public sealed record Cleaned(int Projects, int Designs, int Builds, int Drawings, int Looks, int Blobs);
