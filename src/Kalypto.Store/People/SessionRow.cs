namespace Kalypto.Store.People;

/// <summary>A browser that is signed in.</summary>
/// <param name="Id">The number.</param>
/// <param name="Browser">What it calls itself.</param>
/// <param name="MadeAt">Since when.</param>
/// <param name="UsedAt">When it last came.</param>
public sealed record SessionRow(int Id, string Browser, DateTime MadeAt, DateTime UsedAt);
