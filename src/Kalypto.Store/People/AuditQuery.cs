namespace Kalypto.Store.People;

/// <summary>Which rows of the audit log somebody wants.</summary>
/// <param name="Project">Those of a project; null for all, and those of the server.</param>
/// <param name="Event">Those of one sort; null for all.</param>
/// <param name="Words">Letters in who, network or what it is about; empty for all.</param>
/// <param name="Before">Those before this number; null for the newest.</param>
public sealed record AuditQuery(int? Project = null, AuditEvent? Event = null, string Words = "", long? Before = null);
