namespace Kalypto.Core.Checking;

/// <summary>What people should know of a check; its page in the documentation is made of it.</summary>
/// <param name="What">What it finds.</param>
/// <param name="Why">Why that matters.</param>
/// <param name="Example">An example.</param>
/// <param name="Remedy">What to do.</param>
public sealed record CheckText(string What, string Why, string Example, string Remedy);
