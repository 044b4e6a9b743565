namespace Kalypto.Web.Doors;

/// <summary>Whether the server has accounts.</summary>
/// <param name="IsOn">False where only those who sit at the machine reach it: then nothing asks for a password, and everybody may do all.</param>
public sealed record AccountOptions(bool IsOn);
