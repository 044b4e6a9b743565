namespace Kalypto.Core.Naming;

/// <summary>What a pattern for new names can take from a layer.</summary>
/// <param name="Name">Its name by now.</param>
/// <param name="Parent">The name of the nearest named group around it; empty for none.</param>
/// <param name="Kind">Its kind.</param>
/// <param name="Words">Words that stand in it or beside it; empty for none.</param>
/// <param name="Screen">The name of its screen.</param>
public sealed record NameParts(string Name, string Parent, string Kind, string Words, string Screen);
