// Loaded into the application: when ./start is killed outright, its channel closes and the application leaves too,
// instead of holding the port.
if (!process.connected) process.exit(0)
process.on('disconnect', () => process.exit(0))
process.channel?.unref()
